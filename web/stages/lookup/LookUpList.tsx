import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Button } from 'antd';
import { count, spelledDay } from '../../parts/words/figures';
import { JobLine } from '../../parts/words/JobLine';
import { useCancelJobMutation, useResumeJobMutation } from '../../state/api';
import { isUnderWay, useJob } from '../../state/jobs';

interface LookUpListProps {
  lookUps: readonly LookUp[];
  openId: number | null;
  onOpen: (lookUp: number) => void;
}

/** Past look-ups: they open at once and cost nothing. */
export function LookUpList({ lookUps, openId, onOpen }: LookUpListProps) {
  if (lookUps.length === 0) return null;
  return (
    <section>
      <h2>Look-ups</h2>
      <ul className="lookup-list">
        {lookUps.map((lookUp) => (
          <LookUpItem
            key={lookUp.id}
            lookUp={lookUp}
            open={lookUp.id === openId}
            onOpen={() => onOpen(lookUp.id)}
          />
        ))}
      </ul>
    </section>
  );
}

function LookUpItem({ lookUp, open, onOpen }: { lookUp: LookUp; open: boolean; onOpen: () => void }) {
  const job = useJob(lookUp.job);
  const [cancel] = useCancelJobMutation();
  const [resume] = useResumeJobMutation();
  const failed = lookUp.targets.filter((target) => target.state === 'failed');
  return (
    <li className={open ? 'open' : undefined}>
      <button className="plain" onClick={onOpen} aria-current={open}>
        <b>{lookUp.name}</b>
        <div className="soft">
          {spelledDay(lookUp.date)} · {count(lookUp.keywords)} keywords · {count(lookUp.units)} units
        </div>
      </button>
      {job && job.state !== 'done' && <JobLine job={job} />}
      {failed.map((target) => (
        <div key={target.address} className="soft">
          {target.address}: {target.message}
        </div>
      ))}
      {job && isUnderWay(job) && (
        <Button size="small" onClick={() => void cancel(job.id)}>
          Cancel
        </Button>
      )}
      {job && (job.state === 'failed' || job.state === 'cancelled') && (
        <Button size="small" onClick={() => void resume(job.id)}>
          Go on
        </Button>
      )}
    </li>
  );
}
