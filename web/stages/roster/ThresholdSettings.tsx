import { USUAL_SETTINGS } from '@opsimath/contract/api/usualSettings';
import { SURFACES } from '@opsimath/core/text/surfaces';
import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { Checkbox } from 'antd';
import type { SettingsPart } from './EffortSettings';
import { Figure } from './Figure';
import { Usual } from './Usual';
import { t, wordOf } from '../../words/t';

type Threshold = keyof ProjectSettings['thresholds'];
const PLACES: [Threshold, string][] = [
  ['climbing', t('roster:ThresholdSettings.climbingFromPlaces')],
  ['slipping', t('roster:ThresholdSettings.slippingFromPlaces')],
  ['slippingOff', t('roster:ThresholdSettings.slippingOffTheFrontFromPlaces')],
  ['doubling', t('roster:ThresholdSettings.paidForTwiceDownToOur')],
];
const SHARES: [Threshold, string, number][] = [
  ['dearShare', t('roster:ThresholdSettings.dearClicksShareOfTheHighest'), 1],
  ['easier', t('roster:ThresholdSettings.easierNeighbourFromTimesOurChance'), 100],
  ['costly', t('roster:ThresholdSettings.costlyFromTimesWhatAConversion'), 1000],
];
const VERDICTS = ['fit', 'unjudged', 'adjacent', 'off'] as const;

/** From where on something is marked, listed or called so. */
export function ThresholdSettings({ settings, onChange: apply }: SettingsPart) {
  const { thresholds, fits, titleLimits } = settings;
  return (
    <>
      <h3>{t('roster:ThresholdSettings.fromWhereOnItCounts')}</h3>
      <label>
        <span>{t('roster:ThresholdSettings.organicKeywordsToOnePaid')}</span>
        <Figure
          value={settings.guideRatio}
          min={0.01}
          max={1000}
          onChange={(guideRatio) => apply({ guideRatio }, t('roster:ThresholdSettings.organicToOnePaid'))}
        />
        <Usual value={settings.guideRatio} usual={USUAL_SETTINGS.guideRatio} />
      </label>
      <label>
        <span>{t('roster:ThresholdSettings.littleDemandBelowClicksAMonth')}</span>
        <Figure
          value={settings.littleDemand}
          min={0}
          max={1_000_000}
          onChange={(littleDemand) => apply({ littleDemand }, t('roster:ThresholdSettings.littleDemand'))}
        />
        <Usual value={settings.littleDemand} usual={USUAL_SETTINGS.littleDemand} />
      </label>
      <label>
        <span>{t('roster:ThresholdSettings.resultsAPage')}</span>
        <Figure
          value={settings.resultsPerPage}
          min={1}
          max={100}
          whole
          onChange={(resultsPerPage) => apply({ resultsPerPage }, t('roster:ThresholdSettings.resultsAPage'))}
          onEmpty={() => apply({ resultsPerPage: null }, t('roster:ThresholdSettings.resultsAPage'))}
        />
        {settings.resultsPerPage === null && (
          <span className="faint"> {t('roster:ThresholdSettings.asTheServicesSay')}</span>
        )}
      </label>
      {PLACES.map(([name, label]) => (
        <label key={name}>
          <span>{label}</span>
          <Figure
            value={thresholds[name]}
            min={1}
            max={100}
            whole
            onChange={(value) => apply({ thresholds: { [name]: value } }, label)}
          />
          <Usual value={thresholds[name]} usual={USUAL_SETTINGS.thresholds[name]} />
        </label>
      ))}
      {SHARES.map(([name, label, most]) => (
        <label key={name}>
          <span>{label}</span>
          <Figure
            value={thresholds[name]}
            min={name === 'easier' ? 1 : 0}
            max={most}
            onChange={(value) => apply({ thresholds: { [name]: value } }, label)}
          />
          <Usual value={thresholds[name]} usual={USUAL_SETTINGS.thresholds[name]} />
        </label>
      ))}
      <label>
        <span>{t('roster:ThresholdSettings.completeLookUpsMakeAbsent')}</span>
        <Checkbox
          checked={settings.presumedAbsent}
          onChange={({ target }) =>
            void apply({ presumedAbsent: target.checked }, t('roster:ThresholdSettings.presumedAbsence'))
          }
        >
          {t('roster:ThresholdSettings.whereTheyDoNotNameA')}
        </Checkbox>
      </label>
      <h3>{t('roster:ThresholdSettings.whatAVerdictLeavesOfA')}</h3>
      {VERDICTS.map((verdict) => (
        <label key={verdict}>
          <span>{wordOf(verdict)}</span>
          <Figure
            value={fits[verdict]}
            min={0}
            max={1}
            onChange={(value) =>
              apply(
                { fits: { [verdict]: value } },
                t('roster:ThresholdSettings.weightOfVerdict', { verdict: wordOf(verdict) }),
              )
            }
          />
          <Usual value={fits[verdict]} usual={USUAL_SETTINGS.fits[verdict]} />
        </label>
      ))}
      <h3>{t('roster:ThresholdSettings.titlesAreTooLongFromCharacters')}</h3>
      {SURFACES.map((surface) => (
        <label key={surface}>
          <span>{t('roster:ThresholdSettings.aTitleSurface', { surface: wordOf(surface) })}</span>
          <Figure
            value={titleLimits[surface]}
            min={10}
            max={1000}
            whole
            onChange={(most) =>
              apply(
                { titleLimits: { [surface]: most } },
                t('roster:ThresholdSettings.titlesOfSurface', { surface: wordOf(surface) }),
              )
            }
          />
          <Usual value={titleLimits[surface]} usual={USUAL_SETTINGS.titleLimits[surface]} />
        </label>
      ))}
    </>
  );
}
