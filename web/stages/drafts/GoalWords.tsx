import type { AdGroup } from '@opsimath/contract/api/adGroups';
import { decimal, percent } from '../../parts/words/figures';
import { useProjectsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';

/** What clicks would sell at the rate that the project aims at, beside the rate that is: an aim is no forecast. */
export function GoalWords({ clicks, conversion }: { clicks: number; conversion: AdGroup['conversion'] }) {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  const goal = projects?.find(({ id }) => id === project)?.settings.goals.paid ?? null;
  const now =
    conversion === null
      ? 'What our ads convert now is not known.'
      : `Our ads convert ${percent(conversion.rate, 1)} of clicks (${percent(conversion.low, 1)} to ${percent(conversion.high, 1)}).`;
  if (goal === null) return <>{now}</>;
  return (
    <>
      {clicks > 0 && (
        <>
          At the {percent(goal, 1)} aimed at, {decimal(clicks * goal, 2)} conversions a day.{' '}
        </>
      )}
      {now}
    </>
  );
}
