import type { SiftPage, SiftRow } from '@opsimath/contract/api/sift';
import type { Verdict } from '@opsimath/contract/api/judgements';
import { useSyncExternalStore } from 'react';
import { api } from './api';
import { type JudgingState, type Stood, judging } from './judging';
import { siftApi } from './siftApi';
import type { AppDispatch, State } from './store';

/** Views are fetched anew when nobody has judged for this long; while keys are being pressed they stay as they are. */
const QUIET_MS = 1200;
/** But not for longer than this. */
const LONGEST_MS = 4000;

/** Shows verdicts where they are seen before the server has them, and fetches the views anew once it has. */
export function showJudging(dispatch: AppDispatch, getState: () => State): void {
  let quiet: ReturnType<typeof setTimeout> | undefined;
  let since: number | null = null;
  judging.show = (given) => {
    const stood = new Map<number, Stood>();
    for (const arg of siftApi.util.selectCachedArgsForQuery(getState() as never, 'sift'))
      dispatch(siftApi.util.updateQueryData('sift', arg, (page) => judged(page, given, stood)));
    return [...stood.values()];
  };
  judging.onSent = () => {
    clearTimeout(quiet);
    since ??= performance.now();
    const wait = Math.min(QUIET_MS, Math.max(0, since + LONGEST_MS - performance.now()));
    quiet = setTimeout(() => {
      since = null;
      if (judging.state().waiting === 0) dispatch(api.util.invalidateTags(['verdicts']));
    }, wait);
  };
}

/** Puts verdicts into a page of rows, and moves them in its counts; notes what stood there. */
function judged(page: SiftPage, given: readonly Stood[], stood: Map<number, Stood>): void {
  for (const { keyword, verdict, parked, reason, person } of given) {
    const row = page.rows.find(({ id }) => id === keyword);
    if (!row) continue;
    if (!stood.has(keyword))
      stood.set(keyword, {
        keyword,
        verdict: row.verdict,
        parked: row.parked,
        reason: row.reason,
        person: row.person,
      });
    count(page, row, -1);
    Object.assign(row, { verdict, parked, reason, person });
    count(page, row, 1);
  }
}

function count({ judged: counts }: SiftPage, row: SiftRow, by: number): void {
  const verdict: Verdict = row.verdict;
  if (verdict === 'unjudged' && row.parked) counts.parked += by;
  else counts[verdict] += by;
  if (verdict === 'fit') counts.fitVolume += by * (row.volume ?? 0);
}

export function useJudgingState(): JudgingState {
  return useSyncExternalStore(judging.listen, judging.state);
}
