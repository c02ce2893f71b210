import { takenBack } from '@opsimath/contract/api/patch';
import type { SettingsChange } from '@opsimath/contract/api/projects';
import { App } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { request } from '../../state/operations';
import { projectApi, useChangeProjectMutation, useProjectsQuery } from '../../state/projectApi';
import { useAppSelector } from '../../state/store';
import { undoStackOf, useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { ChanceSettings } from './ChanceSettings';
import { Figure } from './Figure';
import { EffortSettings } from './EffortSettings';
import { ThresholdSettings } from './ThresholdSettings';
import { DEFAULTS, Usual } from './Usual';
import { WordSettings } from './WordSettings';

/** The front, the worth of a click, the effort of each action and when figures are old; every change takes effect at once and can be undone. */
export function SettingsPanel() {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  const [change, { error }] = useChangeProjectMutation();
  const { message } = App.useApp();
  const undoable = useUndoable(project);
  const person = useAppSelector((state) => state.preferences.person);
  const entry = projects?.find(({ id }) => id === project);
  if (!entry) return null;
  const { settings } = entry;
  const apply = async (next: SettingsChange, what: string): Promise<void> => {
    const before = takenBack(settings, next);
    const rests = { settingsRevision: entry.settingsRevision, person };
    const { settingsRevision } = await change({ project, settings: next, ...rests }).unwrap();
    const { changeProject } = projectApi.endpoints;
    undoable({
      what: `${what} changed`,
      undo: request(changeProject, { project, settings: before, settingsRevision, person }),
      redo: request(changeProject, { project, settings: next, ...rests }),
    });
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
        <Usual value={settings.front} usual={DEFAULTS.front} />
      </label>
      <label>
        <span>Worth of a click without CPC, {settings.currency}</span>
        <Figure
          value={settings.defaultWorth}
          min={0}
          max={100_000}
          onChange={(defaultWorth) => apply({ defaultWorth }, 'Worth')}
        />
        <Usual value={settings.defaultWorth} usual={DEFAULTS.defaultWorth} />
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
        <Usual value={settings.leadDays} usual={DEFAULTS.leadDays} />
      </label>
      <ChanceSettings settings={settings} onChange={apply} />
      <ThresholdSettings settings={settings} onChange={apply} />
      <EffortSettings settings={settings} onChange={apply} />
      <WordSettings settings={settings} onChange={apply} />
      {error && <Problem error={error} />}
    </section>
  );
}
