import type { Job } from '@opsimath/contract/api/jobs';
import { count, counted, duration, spelledDay } from './figures';
import './jobLine.css';
import { t, wordOf } from '../../words/t';

/** How far long work is: what it does, how much is done, how long it will take. */
export function JobLine({ job }: { job: Job }) {
  const { step, done, total, secondsLeft, units } = job.progress;
  const share = total ? Math.min(1, done / total) : null;
  if (job.state === 'failed' || job.state === 'cancelled') return <div role="status">{job.message}</div>;
  return (
    <div role="status" className="job-line">
      <span>
        {job.state === 'queued' ? t('parts:JobLine.waiting') : stepWord(step)}
        {done > 0 &&
          ` · ${count(done)}${total ? ` ${t('parts:JobLine.ofTotal', { total: count(total) })}` : ''}`}
        {units > 0 && ` · ${counted(units, 'unit')}`}
        {secondsLeft !== null &&
          secondsLeft > 0 &&
          ` ${t('parts:JobLine.aboutDurationLeft', { duration: duration(secondsLeft) })}`}
      </span>
      <span className="job-bar">
        <span
          style={{ width: share === null ? '30%' : `${share * 100}%`, opacity: share === null ? 0.4 : 1 }}
        />
      </span>
    </div>
  );
}

/** What the server calls a step, in the words of the interface. */
function stepWord(step: string): string {
  const day = /^result pages of (\d{4}-\d\d-\d\d)$/.exec(step)?.[1];
  return day === undefined ? wordOf(step) : t('parts:JobLine.resultPagesOfDay', { day: spelledDay(day) });
}
