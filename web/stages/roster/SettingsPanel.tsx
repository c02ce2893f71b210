import { USUAL_SETTINGS } from '@opsimath/contract/api/usualSettings';
import { takenBack } from '@opsimath/contract/api/patch';
import type { SettingsChange } from '@opsimath/contract/api/projects';
import { Problem } from '../../parts/words/Problem';
import { useMessages } from '../../state/messages';
import { request } from '../../state/operations';
import { projectApi, useChangeProjectMutation, useProjectsQuery } from '../../state/projectApi';
import { useAppSelector } from '../../state/store';
import { undoStackOf, useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { ChanceSettings } from './ChanceSettings';
import { Figure } from './Figure';
import { EffortSettings } from './EffortSettings';
import { ThresholdSettings } from './ThresholdSettings';
import { Usual } from './Usual';
import { WordSettings } from './WordSettings';
import { t } from '../../words/t';

/** The front, the worth of a click, the effort of each action and when figures are old; every change takes effect at once and can be undone. */
export function SettingsPanel() {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  const [change, { error }] = useChangeProjectMutation();
  const message = useMessages();
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
      what: t('roster:SettingsPanel.whatChanged', { what }),
      undo: request(changeProject, { project, settings: before, settingsRevision, person }),
      redo: request(changeProject, { project, settings: next, ...rests }),
    });
    void message.open({
      content: (
        <span>
          {t('roster:SettingsPanel.whatChanged2', { what })}{' '}
          <button
            className="plain written"
            onClick={() =>
              void undoStackOf(project)
                .undo()
                .catch(() => undefined)
            }
          >
            {t('roster:SettingsPanel.undo')}
          </button>
        </span>
      ),
      duration: 6,
    });
  };
  return (
    <section className="sheet settings">
      <h2>{t('roster:SettingsPanel.settings')}</h2>
      <label>
        <span>{t('roster:SettingsPanel.theFrontPositions')}</span>
        <Figure
          value={settings.front}
          min={1}
          max={100}
          whole
          onChange={(front) => apply({ front }, t('roster:SettingsPanel.theFront'))}
        />
        <Usual value={settings.front} usual={USUAL_SETTINGS.front} />
      </label>
      <label>
        <span>{t('roster:SettingsPanel.worthOfAClickWithoutCPC', { currency: settings.currency })}</span>
        <Figure
          value={settings.defaultWorth}
          min={0}
          max={100_000}
          onChange={(defaultWorth) => apply({ defaultWorth }, t('roster:SettingsPanel.worth'))}
        />
        <Usual value={settings.defaultWorth} usual={USUAL_SETTINGS.defaultWorth} />
      </label>
      <label>
        <span>
          {t('roster:SettingsPanel.whatAConversionMayCostCurrency', { currency: settings.currency })}
        </span>
        <Figure
          value={settings.targetCost}
          min={0}
          max={1_000_000}
          onChange={(targetCost) => apply({ targetCost }, t('roster:SettingsPanel.theCostOfAConversion'))}
          onEmpty={() => apply({ targetCost: null }, t('roster:SettingsPanel.theCostOfAConversion'))}
        />
        {settings.targetCost === null && (
          <span className="faint"> {t('roster:SettingsPanel.whatOneCostsNow')}</span>
        )}
      </label>
      <label>
        <span>{t('roster:SettingsPanel.marginOfASaleOnA')}</span>
        <Figure
          value={settings.margin}
          min={0}
          max={1}
          onChange={(margin) => apply({ margin }, t('roster:SettingsPanel.margin'))}
          onEmpty={() => apply({ margin: null }, t('roster:SettingsPanel.margin'))}
        />
        {settings.margin === null && (
          <span className="faint"> {t('roster:SettingsPanel.notSetPriceSaysNothingOf')}</span>
        )}
      </label>
      <label>
        <span>{t('roster:SettingsPanel.clicksThatBuyOnAMarketplace')}</span>
        <Figure
          value={settings.conversionRate}
          min={0}
          max={1}
          onChange={(conversionRate) => apply({ conversionRate }, t('roster:SettingsPanel.conversionRate'))}
          onEmpty={() => apply({ conversionRate: null }, t('roster:SettingsPanel.conversionRate'))}
        />
        {settings.conversionRate === null && (
          <span className="faint"> {t('roster:SettingsPanel.notSet')}</span>
        )}
      </label>
      <label>
        <span>{t('roster:SettingsPanel.beginBeforeAPeakDays')}</span>
        <Figure
          value={settings.leadDays}
          min={0}
          max={365}
          whole
          onChange={(leadDays) => apply({ leadDays }, t('roster:SettingsPanel.leadTime'))}
        />
        <Usual value={settings.leadDays} usual={USUAL_SETTINGS.leadDays} />
      </label>
      <ChanceSettings settings={settings} onChange={apply} />
      <ThresholdSettings settings={settings} onChange={apply} />
      <EffortSettings settings={settings} onChange={apply} />
      <WordSettings settings={settings} onChange={apply} />
      {error && <Problem error={error} />}
    </section>
  );
}
