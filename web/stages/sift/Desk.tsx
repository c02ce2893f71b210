import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftPage, SiftQuery, SiftRow } from '@opsimath/contract/api/sift';
import { Segmented } from 'antd';
import { useState } from 'react';
import { useKeys } from '../../parts/keys/useKeys';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useJudgingState } from '../../state/judgingShown';
import { useSiftQuery } from '../../state/siftApi';
import { undoStackOf, useUndoState } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';
import { DeskFront } from './DeskFront';
import { DeskKeyword } from './DeskKeyword';
import { FactCard } from './FactCard';
import { LikelyFitWords } from './LikelyFitWords';
import { PutAside } from './PutAside';
import { useNoteOn } from './useNoteOn';
import { useShown } from '../../state/useShown';
import { useJudge } from '../../state/useJudge';
import { VERDICT_KEYS } from '../../parts/act/verdictKeys';
import { useLikelyFit } from './useLikelyFit';
import { useSkipped } from './useSkipped';
import './desk.css';
import { t } from '../../words/t';

/** Keywords fetched ahead, so that the next one is there before it is wanted. */
const AHEAD = 500;
const NO_ROWS: SiftRow[] = [];
const NO_REASONS: string[] = [];

type DeskOrder = 'searched' | 'likely' | 'unsure';
const ORDERS: { value: DeskOrder; label: string }[] = [
  { value: 'searched', label: t('sift:Desk.asSorted') },
  { value: 'likely', label: t('sift:Desk.likelyFitsFirst') },
  { value: 'unsure', label: t('sift:Desk.leastSureFirst') },
];

const ORDER_NAMES = ORDERS.map(({ value }) => value);

/** One keyword at a time, with its front, and one key for each verdict. */
export function Desk({ lookUp, query, page }: { lookUp: LookUp; query: SiftQuery; page: SiftPage }) {
  const { project, scope } = useScope();
  const judge = useJudge();
  const steps = useUndoState(project);
  const [done, setDone] = useState<ReadonlySet<number>>(new Set());
  const [skipped, setSkipped] = useSkipped(lookUp.id);
  const [order, setOrder] = useShown<DeskOrder>('deskOrder', 'searched', ORDER_NAMES);
  const [reason, setReason] = useState('');
  const [note, setNote] = useState('');
  const keepNote = useNoteOn();
  const reasons = useSettings()?.verdictReasons ?? NO_REASONS;
  const { data, error, isFetching } = useSiftQuery({
    lookUp: lookUp.id,
    query: {
      ...query,
      steps: [...query.steps, { id: 'desk', on: true, sieve: { kind: 'verdict', verdicts: ['unjudged'] } }],
      parkedLast: true,
      limit: AHEAD,
    },
  });
  const { waiting: unsent } = useJudgingState();
  const [takenBack, setTakenBack] = useState(steps.redo);
  if (takenBack !== steps.redo) {
    // What was taken back is to be judged again.
    setTakenBack(steps.redo);
    setDone(new Set());
  }
  // What was taken back is unjudged again in the rows, though it was judged here before.
  const fetched = data?.rows ?? NO_ROWS;
  const likely = useLikelyFit(lookUp, page, fetched);
  const waiting = inTurn(
    fetched.filter(({ id, verdict }) => verdict === 'unjudged' && !done.has(id)),
    skipped,
    likely?.of ?? null,
    order,
  );
  const [current, next] = waiting;

  const decide = (pressed: string): void => {
    if (!current) return;
    const { verdict, parked, word } = VERDICT_KEYS[pressed]!;
    setDone((before) => new Set(before).add(current.id));
    setReason('');
    setNote('');
    keepNote(current.id, note);
    judge([{ keyword: current.id, verdict, parked, reason }], `${current.text}: ${word}`);
  };
  const skip = (): void => {
    if (current) setSkipped([...skipped.filter((id) => id !== current.id), current.id]);
  };
  useKeys(['f', 'a', 'o', 'w'], (_, { hotkey }) => decide(hotkey), [current, reason, note]);
  useKeys('n', skip, [current, skipped]);
  useKeys(
    ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
    (_, { hotkey }) => setReason(reasons[Number(hotkey) - 1] ?? ''),
    [reasons],
  );
  useKeys(
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
    <section className="desk" aria-label={t('sift:Desk.desk')}>
      <div className="desk-progress" role="status">
        {t('sift:Desk.decidedJudgedOfThroughUnjudgedTo', {
          decided: count(decided),
          through: count(page.through),
          unjudged: count(judged.unjudged),
          parked: count(judged.parked),
        })}
        <span className="desk-order">
          <Segmented
            size="small"
            aria-label={t('sift:Desk.orderOfTheDesk')}
            value={order}
            options={ORDERS}
            disabled={likely === null}
            onChange={setOrder}
          />
          <LikelyFitWords likely={likely} current={current ? likely?.of.get(current.id) : undefined} />
        </span>
        <div className="bar">
          <div style={{ width: `${(100 * decided) / Math.max(1, page.through)}%` }} />
        </div>
      </div>
      {!current && data && !isFetching && unsent === 0 && (
        <div className="empty">
          <div className="serif">{t('sift:Desk.everythingThatComesThroughIsJudged')}</div>
          {t('sift:Desk.keepTheFitsAsAList')}
        </div>
      )}
      {current && (
        <div className="desk-body">
          <div className="desk-side">
            <DeskKeyword
              row={current}
              targets={page.targets}
              reasons={reasons}
              reason={reason}
              onReason={setReason}
              note={note}
              onNote={setNote}
              onDecide={decide}
              onSkip={skip}
            />
            <PutAside market={lookUp.market} keyword={current} />
            <FactCard surface={lookUp.surface} />
          </div>
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

/** Parked ones come last, those skipped after the others; the rest as searched, or by what the verdicts so far say. */
function inTurn(
  rows: readonly SiftRow[],
  skipped: readonly number[],
  likely: ReadonlyMap<number, number> | null,
  order: DeskOrder,
): SiftRow[] {
  const rank = (row: SiftRow, at: number): number => {
    const share = likely?.get(row.id) ?? 0.5;
    if (order === 'likely') return 1 - share;
    return order === 'unsure' ? Math.abs(share - 0.5) : at / rows.length;
  };
  return rows
    .map((row, at) => ({
      row,
      at,
      weight: (row.parked ? 1e6 : 0) + (skipped.indexOf(row.id) + 1) * 10 + rank(row, at),
    }))
    .sort((x, y) => x.weight - y.weight || x.at - y.at)
    .map(({ row }) => row);
}
