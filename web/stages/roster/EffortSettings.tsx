import { USUAL_SETTINGS } from '@opsimath/contract/api/usualSettings';
import { SURFACES, TAGGED_SURFACES } from '@opsimath/core/text/surfaces';
import type { ProjectSettings, SettingsChange } from '@opsimath/contract/api/projects';
import { ACTIONS } from '@opsimath/core/gap/action';
import { Figure } from './Figure';
import { Usual } from './Usual';
import { t, wordOf } from '../../words/t';

export interface SettingsPart {
  settings: ProjectSettings;
  onChange: (next: SettingsChange, what: string) => Promise<void>;
}

/** What work takes, how far ahead is foretold, how many tags a target may bear, and when figures are old. */
export function EffortSettings({ settings, onChange: apply }: SettingsPart) {
  return (
    <>
      <h3>{t('roster:EffortSettings.effortInDays')}</h3>
      {ACTIONS.filter((action) => action !== 'hold').map((action) => (
        <label key={action}>
          <span>{wordOf(action)}</span>
          <Figure
            value={settings.efforts[action]}
            min={0.01}
            max={365}
            onChange={(days) =>
              apply(
                { efforts: { [action]: days } },
                t('roster:EffortSettings.effortToAction', { action: wordOf(action) }),
              )
            }
          />
          <Usual value={settings.efforts[action]} usual={USUAL_SETTINGS.efforts[action]} />
        </label>
      ))}
      <h3>{t('roster:EffortSettings.forecast')}</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>{t('roster:EffortSettings.daysAheadSurface', { surface: wordOf(surface) })}</span>
          <Figure
            value={settings.horizons[surface]}
            min={1}
            max={365}
            whole
            onChange={(days) =>
              apply(
                { horizons: { [surface]: days } },
                t('roster:EffortSettings.forecastOfSurface', { surface: wordOf(surface) }),
              )
            }
          />
          <Usual value={settings.horizons[surface]} usual={USUAL_SETTINGS.horizons[surface]} />
        </label>
      ))}
      <h3>{t('roster:EffortSettings.bids')}</h3>
      <label>
        <span>{t('roster:EffortSettings.shareOfPaidClicksThatCome')}</span>
        <Figure
          value={settings.shareMoved}
          min={0}
          max={1}
          onChange={(shareMoved) => apply({ shareMoved }, t('roster:EffortSettings.shareOfClicksThatMove'))}
        />
        <Usual value={settings.shareMoved} usual={USUAL_SETTINGS.shareMoved} />
      </label>
      <h3>{t('roster:EffortSettings.clicksAnImpressionThatAreAimed')}</h3>
      <label>
        <span>{t('roster:EffortSettings.cTROfOwnQueries0To')}</span>
        <Figure
          value={settings.goals.clickThrough}
          min={0}
          max={1}
          onChange={(clickThrough) =>
            apply({ goals: { clickThrough } }, t('roster:EffortSettings.wantedCTR'))
          }
        />
      </label>
      <h3>{t('roster:EffortSettings.conversionsAClickThatAreAimed')}</h3>
      {(['organic', 'paid'] as const).map((way) => (
        <label key={way}>
          <span>
            {way === 'organic'
              ? t('roster:EffortSettings.freeClicks')
              : t('roster:EffortSettings.paidClicks')}
          </span>
          <Figure
            value={settings.goals[way]}
            min={0}
            max={1}
            onChange={(rate) =>
              apply(
                { goals: { [way]: rate } },
                t('roster:EffortSettings.goalOfWayClicks', { way: wordOf(way) }),
              )
            }
          />
        </label>
      ))}
      <h3>{t('roster:EffortSettings.tagsOfATargetAtMost')}</h3>
      {TAGGED_SURFACES.map((surface) => (
        <label key={surface}>
          <span>
            {t('roster:EffortSettings.tagsAndCharactersTogetherSurface', { surface: wordOf(surface) })}
          </span>
          <span className="pair">
            {(['tags', 'characters'] as const).map((unit) => (
              <Figure
                key={unit}
                value={settings.tagLimits[surface][unit]}
                min={1}
                max={unit === 'tags' ? 1000 : 100_000}
                whole
                onChange={(most) =>
                  apply(
                    { tagLimits: { [surface]: { [unit]: most } } },
                    t('roster:EffortSettings.tagsOfSurface', { surface: wordOf(surface) }),
                  )
                }
              />
            ))}
          </span>
        </label>
      ))}
      <h3>{t('roster:EffortSettings.figuresAreOldAfterInDays')}</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>{wordOf(surface)}</span>
          <Figure
            value={settings.oldAfter[surface]}
            min={1}
            max={3650}
            whole
            onChange={(days) =>
              apply(
                { oldAfter: { [surface]: days } },
                t('roster:EffortSettings.ageLimitOfSurface', { surface: wordOf(surface) }),
              )
            }
          />
          <Usual value={settings.oldAfter[surface]} usual={USUAL_SETTINGS.oldAfter[surface]} />
        </label>
      ))}
    </>
  );
}
