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
import { t, wordOf } from '../../words/t';

function priceWords({ units, parts, allowance, spent }: LookUpPrice): string {
  if (units === 0) return t('roster:StartLookUp.allOfItIsHeldIt');
  const most = parts.some((part) => part.estimated) ? `${t('roster:StartLookUp.atMost')} ` : '';
  return t('roster:StartLookUp.mostUnitsOfAllowanceLeft', {
    most: wordOf(most),
    units: counted(units, 'unit'),
    allowance: count(allowance - spent),
  });
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
          {t('roster:StartLookUp.keywordsForDate', {
            keywords: counted(lookUp.keywords, 'keyword'),
            date: spelledDay(lookUp.date),
          })}
          {arrived < lookUp.targets.length &&
            t('roster:StartLookUp.arrivedOfTargetsTargetsIn', { arrived, targets: lookUp.targets.length })}
        </p>
        {job !== null && (isUnderWay(job) || job.state === 'failed') && <JobLine job={job} />}
      </>
    );
  }
  if (!asked) return <p className="faint">{t('roster:StartLookUp.firstSayWhoWeAreAnd')}</p>;
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
        {t('roster:StartLookUp.lookUpTargets', { targets: counted(targets.length, 'target') })}
      </Button>{' '}
      <span className="soft" role="status">
        {price ? priceWords(price) : t('roster:StartLookUp.askingForThePrice')}
      </span>
    </>
  );
}
