import { type ProjectSettings, projectSettings } from '@opsimath/contract/api/projects';
import { ACTIONS } from '@opsimath/core/gap/action';
import { App, InputNumber } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { useChangeProjectMutation, useProjectsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { WordSettings } from './WordSettings';

const DEFAULTS = projectSettings.parse({});
const SURFACES = ['web', 'video', 'marketplace'] as const;

/** The front, the worth of a click, the effort of each action and when figures are old; every change takes effect at once and can be undone. */
export function SettingsPanel() {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  const [change, { error }] = useChangeProjectMutation();
  const { message } = App.useApp();
  const settings = projects?.find((entry) => entry.id === project)?.settings;
  if (!settings) return null;
  const apply = async (next: Partial<ProjectSettings>, what: string): Promise<void> => {
    const before = settings;
    await change({ project, settings: next }).unwrap();
    void message.open({
      content: (
        <span>
          {what} changed.{' '}
          <button className="plain written" onClick={() => void change({ project, settings: before })}>
            Undo
          </button>
        </span>
      ),
      duration: 6,
    });
  };
  const differs = (value: unknown, usual: unknown) =>
    value !== usual ? <span className="faint"> usual {String(usual)}</span> : null;
  return (
    <section className="sheet settings">
      <h2>Settings</h2>
      <label>
        <span>The front, positions</span>
        <Figure
          value={settings.front}
          min={1}
          max={100}
          whole
          onChange={(front) => apply({ front }, 'The front')}
        />
        {differs(settings.front, DEFAULTS.front)}
      </label>
      <label>
        <span>Worth of a click without CPC, {settings.currency}</span>
        <Figure
          value={settings.defaultWorth}
          min={0}
          max={100_000}
          onChange={(defaultWorth) => apply({ defaultWorth }, 'Worth')}
        />
        {differs(settings.defaultWorth, DEFAULTS.defaultWorth)}
      </label>
      <h3>Effort in days</h3>
      {ACTIONS.filter((action) => action !== 'hold').map((action) => (
        <label key={action}>
          <span>{action}</span>
          <Figure
            value={settings.efforts[action]}
            min={0.01}
            max={365}
            onChange={(days) =>
              apply({ efforts: { ...settings.efforts, [action]: days } }, `Effort to ${action}`)
            }
          />
          {differs(settings.efforts[action], DEFAULTS.efforts[action])}
        </label>
      ))}
      <h3>Figures are old after, in days</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>{surface}</span>
          <Figure
            value={settings.oldAfter[surface]}
            min={1}
            max={3650}
            whole
            onChange={(days) =>
              apply({ oldAfter: { ...settings.oldAfter, [surface]: days } }, `Age limit of ${surface}`)
            }
          />
          {differs(settings.oldAfter[surface], DEFAULTS.oldAfter[surface])}
        </label>
      ))}
      <WordSettings settings={settings} onChange={apply} />
      {error && <Problem error={error} />}
    </section>
  );
}

interface FigureProps {
  value: number;
  min: number;
  max: number;
  whole?: boolean;
  onChange: (value: number) => void;
}

/** A figure that is taken over when it is left or Enter is pressed, not at every key. */
function Figure({ value, min, max, whole, onChange }: FigureProps) {
  const take = (text: string): void => {
    const next = Number(text);
    if (text.trim() === '' || !Number.isFinite(next) || next === value) return;
    onChange(Math.min(max, Math.max(min, whole ? Math.round(next) : next)));
  };
  return (
    <InputNumber
      key={value}
      size="small"
      defaultValue={value}
      min={min}
      max={max}
      step={whole ? 1 : 0.05}
      style={{ width: 80 }}
      onBlur={(event) => take(event.target.value)}
      onPressEnter={(event) => take((event.target as HTMLInputElement).value)}
    />
  );
}
