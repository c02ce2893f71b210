import type { LookUpOrder } from '@opsimath/contract/api/lookUps';
import { Button } from 'antd';
import { useState } from 'react';
import { problemOf } from '../../state/api';
import { useLookUpPriceQuery, useLookUpsQuery, useStartLookUpMutation } from '../../state/lookUpApi';
import { useJob } from '../../state/jobs';
import { useScope } from '../../state/useScope';
import { JobLine } from '../words/JobLine';
import { Problem } from '../words/Problem';
import { count, spelledDay } from '../words/figures';
import { useTrouble } from '../words/useTrouble';
import { t } from '../../words/t';

interface CaptureSheetProps {
  /** Texts of the keywords, the most searched first. */
  keywords: readonly string[];
  /** What is captured, in words. */
  what: string;
  onDone?: () => void;
}

/** Result pages of some keywords, fetched from where they stand: what it costs is said before anything is spent. */
export function CaptureSheet({ keywords, what, onDone }: CaptureSheetProps) {
  const { project, scope } = useScope();
  const [start, { isLoading }] = useStartLookUpMutation();
  const [started, setStarted] = useState<number | null>(null);
  const trouble = useTrouble();
  const order: LookUpOrder = {
    market: scope.market,
    date: scope.date,
    keywords: [...keywords],
    extent: 'captures',
    captureMost: Math.max(1, keywords.length),
  };
  const { data: price, error } = useLookUpPriceQuery(
    { project, request: order },
    { skip: keywords.length === 0 || started !== null },
  );
  if (started !== null) return <Underway lookUp={started} what={what} onDone={onDone} />;
  if (error) return <Problem error={problemOf(error) && error} />;
  const left = price ? price.allowance - price.spent : 0;
  return (
    <div className="capture-sheet">
      <span>
        <b>{what}</b>{' '}
        <span className="soft">{t('parts:CaptureSheet.onDate', { date: spelledDay(scope.date) })} </span>
        {price ? (
          <>
            <b>{count(price.units)}</b>{' '}
            <span className="soft">
              {t('parts:CaptureSheet.whichOfLeftLeft', {
                which: price.units === 1 ? t('parts:CaptureSheet.unit') : t('parts:CaptureSheet.units'),
                left: count(left),
              })}
              {price.units === 0 && t('parts:CaptureSheet.itIsHeldAlready')}.
            </span>
          </>
        ) : (
          <span className="soft">{t('parts:CaptureSheet.readingThePrice')}</span>
        )}
      </span>{' '}
      <Button
        size="small"
        type="primary"
        loading={isLoading}
        disabled={!price || price.units > left}
        onClick={() =>
          void start({ project, request: order })
            .unwrap()
            .then(({ id }) => setStarted(id))
            .catch(trouble)
        }
      >
        {t('parts:CaptureSheet.capture')}
      </Button>
    </div>
  );
}

function Underway({ lookUp, what, onDone }: { lookUp: number; what: string; onDone?: () => void }) {
  const { project } = useScope();
  const { data: lookUps } = useLookUpsQuery(project);
  const job = useJob(lookUps?.find(({ id }) => id === lookUp)?.job);
  if (job?.state === 'done')
    return (
      <div role="status">
        {t('parts:CaptureSheet.whatCaptured', { what })}{' '}
        {onDone && (
          <button className="plain written" onClick={onDone}>
            {t('parts:CaptureSheet.close')}
          </button>
        )}
      </div>
    );
  return job ? <JobLine job={job} /> : <div role="status">{t('parts:CaptureSheet.waiting')}</div>;
}
