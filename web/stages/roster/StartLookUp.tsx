import type { LookUp, LookUpOrder, LookUpPrice } from '@opsimath/contract/api/lookUps';
import type { Target } from '@opsimath/contract/api/targets';
import { Button } from 'antd';
import { JobLine } from '../../parts/words/JobLine';
import { Problem } from '../../parts/words/Problem';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useJob } from '../../state/jobs';
import { isUnderWay } from '../../state/jobsHeard';
import { useLookUpPriceQuery, useStartLookUpMutation } from '../../state/lookUpApi';
import { useScope } from '../../state/useScope';

function priceWords({ units, parts, allowance, spent }: LookUpPrice): string {
  if (units === 0) return 'All of it is held: it costs nothing.';
  const most = parts.some((part) => part.estimated) ? 'at most ' : '';
  return `${most}${counted(units, 'unit')} of ${count(allowance - spent)} left`;
}

interface StartLookUpProps {
  targets: readonly Target[];
  lookUp: LookUp | undefined;
  /** Whether there is somebody on both sides. */
  ready: boolean;
}

/** The first look-up: its price in place, then how far it is, target by target. */
export function StartLookUp({ targets, lookUp, ready }: StartLookUpProps) {
  const { project, scope } = useScope();
  const order: LookUpOrder = {
    market: scope.market,
    date: scope.date,
    targets: targets.map(({ address }) => address),
    extent: 'metrics',
  };
  const asked = ready && lookUp === undefined && scope.date !== '';
  const { data: price, error } = useLookUpPriceQuery({ project, request: order }, { skip: !asked });
  const [start, { isLoading, error: refused }] = useStartLookUpMutation();
  const job = useJob(lookUp?.job);
  if (lookUp !== undefined) {
    const arrived = lookUp.targets.filter(({ state }) => state === 'done').length;
    return (
      <>
        <p className="start-names">
          {counted(lookUp.keywords, 'keyword')} for {spelledDay(lookUp.date)}
          {arrived < lookUp.targets.length && `, ${arrived} of ${lookUp.targets.length} targets in`}
        </p>
        {job !== null && (isUnderWay(job) || job.state === 'failed') && <JobLine job={job} />}
      </>
    );
  }
  if (!asked) return <p className="faint">First say who we are and whom we face.</p>;
  return (
    <>
      {(error ?? refused) && <Problem error={error ?? refused} />}
      <Button
        size="small"
        type="primary"
        loading={isLoading}
        disabled={!price}
        onClick={() => void start({ project, request: order }).catch(() => undefined)}
      >
        Look up {counted(targets.length, 'target')}
      </Button>{' '}
      <span className="soft" role="status">
        {price ? priceWords(price) : 'Asking for the price…'}
      </span>
    </>
  );
}
