import type { LookUp, LookUpChange } from '@opsimath/contract/api/lookUps';
import type { SourceMarket } from '@opsimath/contract/source/answers';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { JobLine } from '../../parts/words/JobLine';
import { useTrouble } from '../../parts/words/useTrouble';
import { lookUpApi, useChangeLookUpMutation } from '../../state/lookUpApi';
import { request } from '../../state/operations';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { useCancelJobMutation, useResumeJobMutation } from '../../state/projectApi';
import { useJob } from '../../state/jobs';
import { isUnderWay } from '../../state/jobsHeard';
import { nameOfMarket } from './useLookUpDraft';
import { t, wordOf } from '../../words/t';

interface LookUpListProps {
  lookUps: readonly LookUp[];
  markets: readonly SourceMarket[];
  openId: number | null;
  onOpen: (lookUp: LookUp) => void;
}

/** Past look-ups: they open at once and cost nothing; of this market, or of every one. */
export function LookUpList({ lookUps, markets, openId, onOpen }: LookUpListProps) {
  const { scope } = useScope();
  const [everywhere, show] = useState(true);
  const here = lookUps.filter(({ market }) => market === scope.market);
  if (lookUps.length === 0) return null;
  return (
    <section aria-label={t('lookup:LookUpList.lookUps')}>
      <div className="look-ups-head">
        <h2>{t('lookup:LookUpList.lookUps')}</h2>
        {here.length < lookUps.length && (
          <button className="plain written" aria-pressed={!everywhere} onClick={() => show(!everywhere)}>
            {everywhere
              ? t('lookup:LookUpList.ofThisMarketHere', { here: here.length })
              : t('lookup:LookUpList.ofAllMarketsLookUps', { lookUps: lookUps.length })}
          </button>
        )}
      </div>
      <ul className="lookup-list">
        {(everywhere ? lookUps : here).map((lookUp) => (
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
          {spelledDay(lookUp.date)}
          {' · '}
          {counted(lookUp.keywords, 'keyword')}
          {' · '}
          {counted(lookUp.units, 'unit')}
        </div>
        <div className="soft">{market}</div>
      </button>
      {job && job.state !== 'done' && <JobLine job={job} />}
      {(running || job?.state === 'failed' || open) && <PartLines lookUp={lookUp} running={running} />}
      {running && (
        <Button size="small" onClick={() => void cancel(job.id)}>
          {t('lookup:LookUpList.cancel')}
        </Button>
      )}
      {job && (job.state === 'failed' || job.state === 'cancelled') && (
        <Button size="small" onClick={() => void resume(job.id)}>
          {t('lookup:LookUpList.goOn')}
        </Button>
      )}
      {open && <LookUpActs lookUp={lookUp} running={running} />}
    </li>
  );
}

/** Named anew, or taken out of the list: what it found stays known. */
function LookUpActs({ lookUp, running }: { lookUp: LookUp; running: boolean }) {
  const { project } = useScope();
  const [change] = useChangeLookUpMutation();
  const [typed, type] = useState<string | null>(null);
  const undoable = useUndoable(project);
  const trouble = useTrouble();
  const set = async (next: LookUpChange, back: LookUpChange, what: string): Promise<void> => {
    await change({ lookUp: lookUp.id, change: next }).unwrap();
    const one = (to: LookUpChange) =>
      request(lookUpApi.endpoints.changeLookUp, { lookUp: lookUp.id, change: to });
    undoable({ what, undo: one(back), redo: one(next) });
  };
  const rename = (): void => {
    const name = typed?.trim() ?? '';
    type(null);
    if (name === '' || name === lookUp.name) return;
    void set({ name }, { name: lookUp.name }, t('lookup:LookUpList.theLookUpNamed', { name })).catch(trouble);
  };
  if (typed !== null)
    return (
      <Input
        autoFocus
        size="small"
        aria-label={t('lookup:LookUpList.nameOfTheLookUp')}
        maxLength={200}
        value={typed}
        onChange={({ target }) => type(target.value)}
        onPressEnter={rename}
        onBlur={rename}
        onKeyDown={(event) => event.key === 'Escape' && type(null)}
      />
    );
  return (
    <div className="look-up-acts">
      <button className="plain written" onClick={() => type(lookUp.name)}>
        {t('lookup:LookUpList.nameIt')}
      </button>
      {!running && (
        <button
          className="plain soft written"
          title={t('lookup:LookUpList.takesItOutOfThisList')}
          onClick={() =>
            void set(
              { removed: true },
              { removed: false },
              t('lookup:LookUpList.nameRemoved', { name: lookUp.name }),
            ).catch(trouble)
          }
        >
          {t('lookup:LookUpList.remove')}
        </button>
      )}
    </div>
  );
}

const STATE_WORDS = {
  waiting: wordOf('waits'),
  walking: t('lookup:LookUpList.underWay'),
  done: '',
  failed: wordOf('missing'),
} as const;

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
            {state === 'done' && heldBy !== lookUp.id && ` ${t('lookup:LookUpList.held')}`}
          </span>
          {message && <span className="faint lookup-part-note">{message}</span>}
        </li>
      ))}
      {lookUp.parts.map(({ way, seed, state, found, message }) => (
        <li key={`${way}${seed}`}>
          <span className="one-line" title={message ?? way}>
            {way} {seed && t('lookup:LookUpList.ofSeed', { seed })}
          </span>
          <span className="figure">{STATE_WORDS[state] || count(found)}</span>
          {message && <span className="faint lookup-part-note">{message}</span>}
        </li>
      ))}
    </ul>
  );
}
