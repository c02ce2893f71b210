import type { Job } from '@opsimath/contract/api/jobs';
import { count, counted, duration } from './figures';
import './jobLine.css';

/** How far long work is: what it does, how much is done, how long it will take. */
export function JobLine({ job }: { job: Job }) {
  const { step, done, total, secondsLeft, units } = job.progress;
  const share = total ? Math.min(1, done / total) : null;
  if (job.state === 'failed' || job.state === 'cancelled') return <div role="status">{job.message}</div>;
  return (
    <div role="status" className="job-line">
      <span>
        {job.state === 'queued' ? 'waiting' : step}
        {done > 0 && ` · ${count(done)}${total ? ` of ${count(total)}` : ''}`}
        {units > 0 && ` · ${counted(units, 'unit')}`}
        {secondsLeft !== null && secondsLeft > 0 && ` · about ${duration(secondsLeft)} left`}
      </span>
      <span className="job-bar">
        <span
          style={{ width: share === null ? '30%' : `${share * 100}%`, opacity: share === null ? 0.4 : 1 }}
        />
      </span>
    </div>
  );
}
