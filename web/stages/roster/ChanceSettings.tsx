import { SURFACES } from '@opsimath/core/text/surfaces';
import type { ProjectSettings, SettingsChange } from '@opsimath/contract/api/projects';
import { USUAL_SETTINGS } from '@opsimath/contract/api/usualSettings';
import { CHANCE_FEATURES } from '@opsimath/core/gap/chance';
import { Checkbox } from 'antd';
import { Figure } from './Figure';
import { t, wordOf } from '../../words/t';

interface ChanceSettingsProps {
  settings: ProjectSettings;
  onChange: (next: SettingsChange, what: string) => Promise<void>;
}

/** How clicks and chance are estimated, and what else demand and positions may rest on. */
export function ChanceSettings({ settings, onChange }: ChanceSettingsProps) {
  return (
    <>
      <h3>{t('roster:ChanceSettings.clicksAndChance')}</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>{t('roster:ChanceSettings.clicksAt1AndDecaySurface', { surface: wordOf(surface) })}</span>
          <span className="pair">
            <Figure
              value={settings.curvePrior[surface].first}
              min={0.001}
              max={1}
              onChange={(first) =>
                onChange(
                  { curvePrior: { [surface]: { first } } },
                  t('roster:ChanceSettings.theCurveOfSurface', { surface: wordOf(surface) }),
                )
              }
            />
            <Figure
              value={settings.curvePrior[surface].decay}
              min={0}
              max={5}
              onChange={(decay) =>
                onChange(
                  { curvePrior: { [surface]: { decay } } },
                  t('roster:ChanceSettings.theCurveOfSurface', { surface: wordOf(surface) }),
                )
              }
            />
          </span>
          {(settings.curvePrior[surface].first !== USUAL_SETTINGS.curvePrior[surface].first ||
            settings.curvePrior[surface].decay !== USUAL_SETTINGS.curvePrior[surface].decay) && (
            <span className="faint">
              {' '}
              {t('roster:ChanceSettings.usualFirstAndDecay', {
                first: USUAL_SETTINGS.curvePrior[surface].first,
                decay: USUAL_SETTINGS.curvePrior[surface].decay,
              })}
            </span>
          )}
        </label>
      ))}
      <p>
        <Checkbox
          checked={settings.curveFitted}
          onChange={({ target }) =>
            void onChange({ curveFitted: target.checked }, t('roster:ChanceSettings.theCurve'))
          }
        >
          {t('roster:ChanceSettings.theCurveLeansOnOwnSearch')}
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.brandLeftOut}
          onChange={({ target }) =>
            void onChange({ brandLeftOut: target.checked }, t('roster:ChanceSettings.theCurve'))
          }
        >
          {t('roster:ChanceSettings.queriesWithOurOwnNameAre')}
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.chanceFitted}
          onChange={({ target }) =>
            void onChange({ chanceFitted: target.checked }, t('roster:ChanceSettings.theWeights'))
          }
        >
          {t('roster:ChanceSettings.weightsOfChanceAreFittedOn')}
        </Checkbox>
      </p>
      <h3>{t('roster:ChanceSettings.weightsOfChanceThatIsNot')}</h3>
      {CHANCE_FEATURES.map((feature, n) => (
        <label key={feature}>
          <span>{wordOf(feature)}</span>
          <Figure
            value={settings.chanceWeights[n]!}
            min={-20}
            max={20}
            onChange={(weight) =>
              onChange(
                { chanceWeights: settings.chanceWeights.with(n, weight) },
                t('roster:ChanceSettings.weightOfFeature', { feature: wordOf(feature) }),
              )
            }
          />
          {settings.chanceWeights[n] !== USUAL_SETTINGS.chanceWeights[n] && (
            <span className="faint">
              {' '}
              {t('roster:ChanceSettings.usual')} {USUAL_SETTINGS.chanceWeights[n]}
            </span>
          )}
        </label>
      ))}
      <p>
        <Checkbox
          checked={settings.volumeBorrowed}
          onChange={({ target }) =>
            void onChange({ volumeBorrowed: target.checked }, t('roster:ChanceSettings.borrowedVolume'))
          }
        >
          {t('roster:ChanceSettings.volumeIsBorrowedFromAnotherSurface')}
        </Checkbox>
      </p>
      <p>
        <Checkbox
          checked={settings.handCounts}
          onChange={({ target }) =>
            void onChange({ handCounts: target.checked }, t('roster:ChanceSettings.positionsTypedIn'))
          }
        >
          {t('roster:ChanceSettings.positionsTypedInByHandCount')}
        </Checkbox>
      </p>
    </>
  );
}
