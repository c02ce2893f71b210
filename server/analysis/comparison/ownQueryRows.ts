import { dayOf, isoDayOf } from '@opsimath/core/day';
import { type OwnQueryRow, ownQueryQuery } from '@opsimath/contract/api/ownQueries';
import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { periodDays, readPeriod } from '@opsimath/core/demand/period';
import {
  clickRatio,
  expectedClicks,
  isNearQuery,
  snippetWord,
  topQuarterFrom,
} from '@opsimath/core/performance/expectation';
import { QUERY_GROUPS, type QueryGroup, isInGroup } from '@opsimath/core/performance/queryGroups';
import { rateOf } from '@opsimath/core/rates/wilson';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import { listedKeywords } from '../../data/lists';
import { adTermsUntil } from '../facts/adTerms';
import { type OwnFigure, type OwnSum, ownFigures, sumOf } from '../facts/ownFigures';
import { positionOf } from '../facts/positionOf';
import { givingWay } from '../kept/giveWay';
import type { Workspace } from '../kept/workspace';
import { type OpenComparison, openComparison } from './openComparison';

type Query = z.output<typeof ownQueryQuery>;
type Row = OwnQueryRow & { key: string };

/** Keywords of own queries of the last 28 days that are in at least one of some groups. */
export async function keywordsInGroups(
  workspace: Workspace,
  projectId: number,
  { market, date }: { market: string; date: string },
  groups: readonly QueryGroup[],
): Promise<Set<number>> {
  const { all } = await queryRows(workspace, projectId, ownQueryQuery.parse({ market, date }));
  return new Set(all.filter((row) => groups.some((group) => row.groups.has(group))).map(({ id }) => id));
}

interface Queries {
  /** Every query with the groups it is in, and what all of them come to. */
  all: (Row & { groups: ReadonlySet<QueryGroup> })[];
  sum: OwnSum & { expected: number };
  sumBefore: OwnSum | null;
  settings: ProjectSettings;
  /** CTR that is wanted; `null` where none is. */
  goal: number | null;
  topQuarter: number;
  from: string;
  to: string;
  beforeFrom: string;
  beforeTo: string;
  until: string | null;
  /** Days of each period, and how many of them anything is held of. */
  days: number;
  held: number;
  heldBefore: number;
}

/** Every query of a period, and which groups it is in. */
export async function queryRows(
  workspace: Workspace,
  projectId: number,
  { market, date, own, goal: asked }: Pick<Query, 'market' | 'date' | 'own' | 'goal'>,
): Promise<Queries> {
  const opened = await openComparison(workspace, projectId, { market, date });
  // A goal that is asked for stands before the project’s.
  const goal = asked ?? opened.comparison.project.settings.goals.clickThrough ?? undefined;
  return workspace.keep('own queries', opened.revisions, [opened.name, own, goal], () =>
    gatherQueries(workspace, opened, own, goal),
  );
}

async function gatherQueries(
  workspace: Workspace,
  { comparison, revisions }: OpenComparison,
  own: string,
  goal: number | undefined,
): Promise<Queries> {
  const { database } = workspace;
  const { market, project, date, curve } = comparison;
  const { rows, newest } = await ownFigures(workspace, revisions, project.id, market.id, date);
  const until = newest === 0 ? null : isoDayOf(newest);
  const { from, to } = periodDays(readPeriod(own)!, until ?? date);
  const days = dayOf(to) - dayOf(from) + 1;
  const beforeTo = isoDayOf(dayOf(from) - 1);
  const beforeFrom = isoDayOf(dayOf(from) - days);
  const now = gather(rows, from, to);
  const before = gather(rows, beforeFrom, beforeTo);
  const listed = await listedKeywords(database, project.id, market.id);
  const ads = await adTermsUntil(workspace, revisions, project.id, market.id, date);
  for (const { bidOn } of ads.terms.values()) listed.add(bidOn);
  const texts = await keywordsById(database, now.keys());
  const topQuarter = topQuarterFrom([...now.values()].map((entry) => sumOf(entry).impressions));
  const rowOf = new Map<number, number>();
  comparison.keywords.forEach((id, row) => rowOf.set(id, row));
  const limits = { front: project.settings.front, topQuarter };
  const all: Queries['all'] = [];
  const giveWay = givingWay();
  for (const [id, entry] of now) {
    await giveWay();
    const sum = sumOf(entry);
    const earlier = before.get(id);
    const expected = expectedClicks(entry, curve);
    const ratio = clickRatio(sum.clicks, expected);
    const row = rowOf.get(id);
    const found: Row = {
      ...sum,
      id,
      text: texts.get(id)!.text,
      key: texts.get(id)!.key,
      ctr: rateOf(sum.clicks, sum.impressions),
      before: earlier ? sumOf(earlier) : null,
      expected,
      ratio,
      word: snippetWord(ratio),
      near: isNearQuery(sum, topQuarter),
      listed: listed.has(id),
      shortfall: goal === undefined ? null : Math.max(0, sum.impressions * goal - sum.clicks),
      captured: positionOf(row === undefined ? UNKNOWN : comparison.columns.ownOrganic[row]!),
      pages: new Set(entry.map(({ place: page }) => page)).size,
    };
    all.push({ ...found, groups: groupsOf(found, limits) });
  }
  const { settings } = project;
  const expected = all.reduce((sum, row) => sum + row.expected, 0);
  return {
    all,
    sum: { ...sumOf([...now.values()].flat()), expected },
    sumBefore: before.size > 0 ? sumOf([...before.values()].flat()) : null,
    settings,
    goal: goal ?? null,
    topQuarter,
    from,
    to,
    beforeFrom,
    beforeTo,
    until,
    days,
    held: daysHeld(rows, from, to),
    heldBefore: daysHeld(rows, beforeFrom, beforeTo),
  };
}

function groupsOf(row: Row, limits: { front: number; topQuarter: number }): ReadonlySet<QueryGroup> {
  const facts = { ...row, thin: row.ctr.thin };
  return new Set(QUERY_GROUPS.filter((group) => isInGroup(facts, group, limits)));
}

function gather(rows: readonly OwnFigure[], from: string, to: string): Map<number, OwnFigure[]> {
  const [first, last] = [dayOf(from), dayOf(to)];
  const byKeyword = new Map<number, OwnFigure[]>();
  for (const row of rows) {
    if (row.day < first || row.day > last) continue;
    const known = byKeyword.get(row.keyword);
    if (known) known.push(row);
    else byKeyword.set(row.keyword, [row]);
  }
  return byKeyword;
}

/** Days of a period of which any row is held. */
function daysHeld(rows: readonly OwnFigure[], from: string, to: string): number {
  const [first, last] = [dayOf(from), dayOf(to)];
  return new Set(rows.map(({ day }) => day).filter((day) => day >= first && day <= last)).size;
}
