import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftPage, SiftQuery, SiftRow } from '@opsimath/contract/api/sift';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useSiftQuery } from '../../state/siftApi';
import { undoStackOf, useUndoState } from '../../state/undo';
import { useScope } from '../../state/useScope';
import { DeskFront } from './DeskFront';
import { DeskKeyword } from './DeskKeyword';
import { VERDICT_KEYS, useJudge } from './useJudge';

/** Keywords fetched ahead, so that the next one is there before it is wanted. */
const AHEAD = 100;

/** One keyword at a time, with its front, and one key for each verdict. */
export function Desk({ lookUp, query, page }: { lookUp: LookUp; query: SiftQuery; page: SiftPage }) {
  const { project, scope } = useScope();
  const judge = useJudge();
  const steps = useUndoState(project);
  const [done, setDone] = useState<ReadonlySet<number>>(new Set());
  const [skipped, setSkipped] = useState<readonly number[]>([]);
  const [reason, setReason] = useState('');
  const [failed, setFailed] = useState<unknown>(null);
  const { data, error } = useSiftQuery({
    lookUp: lookUp.id,
    query: {
      ...query,
      steps: [...query.steps, { id: 'desk', on: true, sieve: { kind: 'verdict', verdicts: ['unjudged'] } }],
      limit: AHEAD,
    },
  });
  const [takenBack, setTakenBack] = useState(steps.redo);
  if (takenBack !== steps.redo) {
    // What was taken back is to be judged again.
    setTakenBack(steps.redo);
    setDone(new Set());
  }
  const waiting = inTurn(
    (data?.rows ?? []).filter(({ id }) => !done.has(id)),
    skipped,
  );
  const [current, next] = waiting;

  const decide = (pressed: string): void => {
    if (!current) return;
    const { verdict, parked, word } = VERDICT_KEYS[pressed]!;
    setDone((before) => new Set(before).add(current.id));
    setReason('');
    setFailed(null);
    judge([{ keyword: current.id, verdict, parked, reason }], `${current.text}: ${word}`).catch(
      (problem: unknown) => {
        setDone((before) => new Set([...before].filter((id) => id !== current.id)));
        setFailed(problem);
      },
    );
  };
  const skip = (): void => {
    if (current) setSkipped((before) => [...before.filter((id) => id !== current.id), current.id]);
  };
  useHotkeys(['f', 'a', 'o', 'w'], (_, { hotkey }) => decide(hotkey), [current, reason]);
  useHotkeys('n', skip, [current]);
  useHotkeys(
    'z',
    () =>
      void undoStackOf(project)
        .undo()
        .catch(() => undefined),
  );

  const { judged } = page;
  const decided = judged.fit + judged.adjacent + judged.off;
  if (error) return <Problem error={error} />;
  return (
    <section className="desk" aria-label="Desk">
      <div className="desk-progress" role="status">
        {count(decided)} judged of {count(page.through)}, {count(judged.unjudged)} to go,{' '}
        {count(judged.parked)} parked
        <div className="bar">
          <div style={{ width: `${(100 * decided) / Math.max(1, page.through)}%` }} />
        </div>
      </div>
      {failed !== null && <Problem error={failed} />}
      {!current && data && (
        <div className="empty">
          <div className="serif">Everything that comes through is judged</div>
          Keep the fits as a list, or open the recipe wider.
        </div>
      )}
      {current && (
        <div className="desk-body">
          <DeskKeyword
            row={current}
            targets={page.targets}
            reason={reason}
            onReason={setReason}
            onDecide={decide}
            onSkip={skip}
          />
          <DeskFront
            project={project}
            market={lookUp.market}
            date={scope.date}
            keyword={current.id}
            text={current.text}
            ahead={next?.id ?? null}
          />
        </div>
      )}
    </section>
  );
}

/** Parked ones come last, and those skipped after the others. */
function inTurn(rows: readonly SiftRow[], skipped: readonly number[]): SiftRow[] {
  const weight = (row: SiftRow): number => (row.parked ? 2e6 : 0) + (skipped.indexOf(row.id) + 1) * 1e3;
  return rows
    .map((row, at) => ({ row, at }))
    .sort((x, y) => weight(x.row) - weight(y.row) || x.at - y.at)
    .map(({ row }) => row);
}
