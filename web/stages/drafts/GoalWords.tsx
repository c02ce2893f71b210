import type { AdGroup } from '@opsimath/contract/api/adGroups';
import { decimal, percent } from '../../parts/words/figures';
import { useProjectsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** What clicks would sell at the rate that the project aims at, beside the rate that is: an aim is no forecast. */
export function GoalWords({ clicks, conversion }: { clicks: number; conversion: AdGroup['conversion'] }) {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  const goal = projects?.find(({ id }) => id === project)?.settings.goals.paid ?? null;
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
