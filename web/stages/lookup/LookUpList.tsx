import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SourceMarket } from '@opsimath/contract/source/answers';
import { Button } from 'antd';
import { count, spelledDay } from '../../parts/words/figures';
import { JobLine } from '../../parts/words/JobLine';
import { useCancelJobMutation, useResumeJobMutation } from '../../state/projectApi';
import { useJob } from '../../state/jobs';
import { isUnderWay } from '../../state/jobsHeard';
import { nameOfMarket } from './useLookUpDraft';

interface LookUpListProps {
  lookUps: readonly LookUp[];
  markets: readonly SourceMarket[];
  openId: number | null;
  onOpen: (lookUp: LookUp) => void;
}

/** Past look-ups of every market: they open at once and cost nothing. */
export function LookUpList({ lookUps, markets, openId, onOpen }: LookUpListProps) {
  if (lookUps.length === 0) return null;
  return (
    <section>
      <h2>Look-ups</h2>
      <ul className="lookup-list">
        {lookUps.map((lookUp) => (
          <LookUpItem
            key={lookUp.id}
            lookUp={lookUp}
            market={nameOfMarket(markets, lookUp.market)}
            open={lookUp.id === openId}
            onOpen={() => onOpen(lookUp)}
          />
        ))}
      </ul>
    </section>
  );
}

interface LookUpItemProps {
  lookUp: LookUp;
  market: string;
  open: boolean;
  onOpen: () => void;
}

function LookUpItem({ lookUp, market, open, onOpen }: LookUpItemProps) {
  const job = useJob(lookUp.job);
  const [cancel] = useCancelJobMutation();
  const [resume] = useResumeJobMutation();
  const running = job !== null && job !== undefined && isUnderWay(job);
  return (
    <li className={open ? 'open' : undefined}>
      <button className="plain" onClick={onOpen} aria-current={open}>
        <b>{lookUp.name}</b>
        <div className="soft">
          {spelledDay(lookUp.date)} · {count(lookUp.keywords)} keywords · {count(lookUp.units)} units
        </div>
        <div className="soft">{market}</div>
      </button>
      {job && job.state !== 'done' && <JobLine job={job} />}
      {(running || job?.state === 'failed' || open) && <PartLines lookUp={lookUp} running={running} />}
      {running && (
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

const STATE_WORDS = { waiting: 'waits', walking: 'under way', done: '', failed: 'missing' } as const;

/** How far each target and each way of finding came. */
function PartLines({ lookUp, running }: { lookUp: LookUp; running: boolean }) {
  return (
    <ul className="lookup-parts">
      {lookUp.targets.map(({ address, state, rows, heldBy, message }) => (
        <li key={address}>
          <span className="one-line" title={message ?? address}>
            {address}
          </span>
          <span className="figure">
            {STATE_WORDS[running || state !== 'walking' ? state : 'waiting'] || count(rows)}
            {state === 'done' && heldBy !== lookUp.id && ' held'}
          </span>
          {message && <span className="faint lookup-part-note">{message}</span>}
        </li>
      ))}
      {lookUp.parts.map(({ way, seed, state, found, message }) => (
        <li key={`${way}${seed}`}>
          <span className="one-line" title={message ?? way}>
            {way} {seed && `of ${seed}`}
          </span>
          <span className="figure">{STATE_WORDS[state] || count(found)}</span>
          {message && <span className="faint lookup-part-note">{message}</span>}
        </li>
      ))}
    </ul>
  );
}
