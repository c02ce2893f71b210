import { type ProjectSettings, projectSettings } from '@opsimath/contract/api/projects';
import { ACTIONS } from '@opsimath/core/gap/action';
import { App, Checkbox, InputNumber } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { useChangeProjectMutation, useProjectsQuery } from '../../state/projectApi';
import { undoStackOf } from '../../state/undo';
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
    const step = {
      what: `${what} changed`,
      undo: () => change({ project, settings: before }).unwrap(),
      redo: () => change({ project, settings: next }).unwrap(),
    };
    undoStackOf(project).push(step);
    void message.open({
      content: (
        <span>
          {what} changed.{' '}
          <button
            className="plain written"
            onClick={() =>
              void undoStackOf(project)
                .undo()
                .catch(() => undefined)
            }
          >
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
      <label>
        <span>What a conversion may cost, {settings.currency}</span>
        <Figure
          value={settings.targetCost}
          min={0}
          max={1_000_000}
          onChange={(targetCost) => apply({ targetCost }, 'The cost of a conversion')}
          onEmpty={() => apply({ targetCost: null }, 'The cost of a conversion')}
        />
        {settings.targetCost === null && <span className="faint"> what one costs now</span>}
      </label>
      <label>
        <span>Margin of a sale on a marketplace, 0–1</span>
        <Figure
          value={settings.margin}
          min={0}
          max={1}
          onChange={(margin) => apply({ margin }, 'Margin')}
          onEmpty={() => apply({ margin: null }, 'Margin')}
        />
        {settings.margin === null && <span className="faint"> not set: price says nothing of worth</span>}
      </label>
      <label>
        <span>Clicks that buy on a marketplace, 0–1</span>
        <Figure
          value={settings.conversionRate}
          min={0}
          max={1}
          onChange={(conversionRate) => apply({ conversionRate }, 'Conversion rate')}
          onEmpty={() => apply({ conversionRate: null }, 'Conversion rate')}
        />
        {settings.conversionRate === null && <span className="faint"> not set</span>}
      </label>
      <label>
        <span>Begin before a peak, days</span>
        <Figure
          value={settings.leadDays}
          min={0}
          max={365}
          whole
          onChange={(leadDays) => apply({ leadDays }, 'Lead time')}
        />
        {differs(settings.leadDays, DEFAULTS.leadDays)}
      </label>
      <h3>Clicks and chance</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>Clicks at 1 and decay, {surface}</span>
          <Figure
            value={settings.curvePrior[surface].first}
            min={0.001}
            max={1}
            onChange={(first) =>
              apply(
                {
                  curvePrior: {
                    ...settings.curvePrior,
                    [surface]: { ...settings.curvePrior[surface], first },
                  },
                },
                `The curve of ${surface}`,
              )
            }
          />
          <Figure
            value={settings.curvePrior[surface].decay}
            min={0}
            max={5}
            onChange={(decay) =>
              apply(
                {
                  curvePrior: {
                    ...settings.curvePrior,
                    [surface]: { ...settings.curvePrior[surface], decay },
                  },
                },
                `The curve of ${surface}`,
              )
            }
          />
          {(settings.curvePrior[surface].first !== DEFAULTS.curvePrior[surface].first ||
            settings.curvePrior[surface].decay !== DEFAULTS.curvePrior[surface].decay) && (
            <span className="faint">
              {' '}
              usual {DEFAULTS.curvePrior[surface].first} and {DEFAULTS.curvePrior[surface].decay}
            </span>
          )}
        </label>
      ))}
      <p>
        <Checkbox
          checked={settings.curveFitted}
          onChange={({ target }) => void apply({ curveFitted: target.checked }, 'The curve')}
        >
          the curve leans on own search performance
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.brandLeftOut}
          onChange={({ target }) => void apply({ brandLeftOut: target.checked }, 'The curve')}
        >
          queries with our own name are left out of it
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.chanceFitted}
          onChange={({ target }) => void apply({ chanceFitted: target.checked }, 'The weights')}
        >
          weights of chance are fitted on captures
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.volumeBorrowed}
          onChange={({ target }) => void apply({ volumeBorrowed: target.checked }, 'Borrowed volume')}
        >
          volume is borrowed from another surface where none is known
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.handCounts}
          onChange={({ target }) => void apply({ handCounts: target.checked }, 'Positions typed in')}
        >
          positions typed in by hand count in gaps
        </Checkbox>
      </p>
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
      <h3>Tags of a target, at most</h3>
      {(['video', 'marketplace'] as const).map((surface) => (
        <label key={surface}>
          <span>Tags and characters together, {surface}</span>
          {(['tags', 'characters'] as const).map((unit) => (
            <Figure
              key={unit}
              value={settings.tagLimits[surface][unit]}
              min={1}
              max={unit === 'tags' ? 1000 : 100_000}
              whole
              onChange={(most) =>
                apply(
                  {
                    tagLimits: {
                      ...settings.tagLimits,
                      [surface]: { ...settings.tagLimits[surface], [unit]: most },
                    },
                  },
                  `Tags of ${surface}`,
                )
              }
            />
          ))}
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
  value: number | null;
  min: number;
  max: number;
  whole?: boolean;
  onChange: (value: number) => void;
  /** Where nothing may be set. */
  onEmpty?: () => void;
}

/** A figure that is taken over when it is left or Enter is pressed, not at every key. */
function Figure({ value, min, max, whole, onChange, onEmpty }: FigureProps) {
  const take = (text: string): void => {
    const next = Number(text);
    if (text.trim() === '' && value !== null && onEmpty) return onEmpty();
    if (text.trim() === '' || !Number.isFinite(next) || next === value) return;
    onChange(Math.min(max, Math.max(min, whole ? Math.round(next) : next)));
  };
  return (
    <InputNumber<number>
      key={value}
      size="small"
      {...(value !== null && { defaultValue: value })}
      min={min}
      max={max}
      step={whole ? 1 : 0.05}
      style={{ width: 80 }}
      onBlur={(event) => take(event.target.value)}
      onPressEnter={(event) => take((event.target as HTMLInputElement).value)}
    />
  );
}
