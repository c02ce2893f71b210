import type { AdGroup } from '@opsimath/contract/api/adGroups';
import { decimal, percent } from '../../parts/words/figures';
import { useSettings } from '../../state/useSettings';
import { t } from '../../words/t';

/** What clicks would sell at the rate that the project aims at, beside the rate that is: an aim is no forecast. */
export function GoalWords({ clicks, conversion }: { clicks: number; conversion: AdGroup['conversion'] }) {
  const goal = useSettings()?.goals.paid ?? null;
  const now =
    conversion === null
      ? t('drafts:GoalWords.whatOurAdsConvertNowIs')
      : t('drafts:GoalWords.ourAdsConvertRateOfClicks', {
          rate: percent(conversion.rate, 1),
          low: percent(conversion.low, 1),
          high: percent(conversion.high, 1),
        });
  if (goal === null) return <>{now}</>;
  return (
    <>
      {clicks > 0 && (
        <>
          {t('drafts:GoalWords.atTheGoalAimedAtClicks', {
            goal: percent(goal, 1),
            clicks: decimal(clicks * goal, 2),
          })}{' '}
        </>
      )}
      {now}
    </>
  );
}
