import type { ComparisonScope, GapFilterRead, GapQueryRead } from '@opsimath/contract/api/gapQuery';
import type { GapRow } from '@opsimath/contract/api/gaps';
import { gapQuery } from '@opsimath/contract/api/gapQuery';
import type { LaneCell, ReportBlock } from '@opsimath/contract/api/reportContent';
import type { Section } from '@opsimath/contract/api/reports';
import { type WhatToDo, whatToDoQuery } from '@opsimath/contract/api/whatToDo';
import type { TextPassage } from '@opsimath/core/report/passages';
import type { Revisions } from '../../data/grounds';
import type { Comparison } from '../comparison/comparison';
import { applyFilter } from '../comparison/gapFilter';
import { gapRows } from '../comparison/gapRow';
import { WARY } from '../comparison/wary';
import { filteredOrder } from '../questions/gapPage';
import { whatToDo } from '../questions/whatToDo';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { entryOf } from '../comparison/comparison';
import type { Workspace } from '../kept/workspace';
import type { Figures } from './figures';
import type { Sums } from './sums';

/** What a section of a report is written from. */
export interface ReportGround {
  workspace: Workspace;
  projectId: number;
  scope: ComparisonScope;
  comparison: Comparison;
  revisions: Revisions;
  figures: Figures;
  sums: Sums;
  /** What several sections need, worked out once. */
  once: Once;
}

type Once = <T>(name: string, make: () => Promise<T> | T) => Promise<T>;

/** Keeps what was made under a name for whoever asks next. */
export function onceEach(): Once {
  const made = new Map<string, Promise<unknown>>();
  return <T>(name: string, make: () => Promise<T> | T): Promise<T> => {
    let found = made.get(name) as Promise<T> | undefined;
    if (!found) made.set(name, (found = Promise.resolve(make())));
    return found;
  };
}

/** What a section says: its sentences for the summary, and its tables, lanes and curves. */
export interface Written {
  short: TextPassage[];
  blocks: ReportBlock[];
}
export type WriteSection = (ground: ReportGround, section: Section) => Promise<Written>;

export const nothingToSay = (text: string): Written => ({
  short: [],
  blocks: [{ kind: 'text', passages: [{ kind: 'paragraph', runs: [{ text }] }], written: true }],
});

/** Rows of the comparison that pass, in an order, at most so many. */
export async function gapsInOrder(
  { workspace, projectId, scope }: ReportGround,
  over: Partial<GapQueryRead>,
  most: number,
  passes: (i: number, comparison: Comparison) => boolean = () => true,
): Promise<{ rows: GapRow[]; total: number }> {
  const query: GapQueryRead = { ...gapQuery.parse(scope), ...over };
  const { comparison, order, filtered } = await filteredOrder(workspace, projectId, query);
  const found: number[] = [];
  let total = 0;
  for (const i of order) {
    if (filtered.passes[i] === 0 || !passes(i, comparison)) continue;
    total++;
    if (found.length < most) found.push(i);
  }
  return { rows: await gapRows(workspace.database, comparison, found), total };
}

/** Counts of everything in scope. */
export async function countsOf({ workspace, comparison }: ReportGround, filter: GapFilterRead) {
  return applyFilter(workspace, comparison, filter);
}

const MORE = 60;

/** The first pieces of work; none that is forbidden, judged off, or only holds. */
export async function firstWork(
  { workspace, projectId, scope, comparison }: ReportGround,
  most: number,
): Promise<WhatToDo> {
  const work = await whatToDo(workspace, projectId, whatToDoQuery.parse({ ...scope, limit: most + MORE }));
  const whole = comparison.whole ?? comparison;
  const lines = work.lines.filter(({ action, lead }) => {
    const entry = entryOf(whole, lead.id);
    return action !== 'hold' && (entry < 0 || mayBeDone(whole, entry));
  });
  return { ...work, lines: lines.slice(0, most) };
}

/** Whether a keyword may stand among things to do: it holds no word that is not to be used, and is not judged off. */
export function mayBeDone({ wary, verdicts }: Comparison, i: number): boolean {
  const verdict = VERDICTS[verdicts[i]!];
  if (verdict === 'off') return false;
  return verdict !== 'unjudged' || WARY[wary[i]!] !== 'forbidden';
}

export const laneOf = (row: GapRow): LaneCell => ({
  own: row.own,
  before: row.ownBefore === 'unknown' ? null : row.ownBefore,
  paid: row.ownPaid,
  rivals: row.rivals,
  rivalsPaid: row.rivalsPaid,
});
