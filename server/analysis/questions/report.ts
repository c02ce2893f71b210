import type { GapQueryRead } from '@opsimath/contract/api/gaps';
import { gapFilter, gapQuery } from '@opsimath/contract/api/gaps';
import type { Report, reportQuery } from '@opsimath/contract/api/report';
import { PAID_STATES } from '@opsimath/core/gap/paid';
import { clicksOfSide, countsByDepth, visibility } from '@opsimath/core/ranking/visibility';
import { depthBand, isRanked } from '@opsimath/core/ranking/position';
import type { z } from 'zod';
import { listLookUps } from '../../data/lookUpList';
import { findSegments } from '../../data/segments/segments';
import { type Comparison, byStanding, entryOf } from '../comparison/comparison';
import { applyFilter } from '../comparison/gapFilter';
import { filteredOrder, rivalColumns, totalsOf } from './gapPage';
import { gapRows } from '../comparison/gapRow';
import { whatToDo } from './whatToDo';
import { qualitySentences, summarySentences } from './reportSentences';
import type { SideStanding } from '../facts/standings';
import type { Workspace } from '../kept/workspace';

const FEW = 10;

/** The prioritised gap report of a scope. */
export async function report(
  workspace: Workspace,
  projectId: number,
  query: z.output<typeof reportQuery>,
): Promise<Report> {
  const { top, ...scope } = query;
  const read = (over: Partial<GapQueryRead>): GapQueryRead => ({ ...gapQuery.parse(scope), ...over });
  const { comparison, order } = await filteredOrder(workspace, projectId, read({}));
  const { project, market, gaps } = comparison;
  const all = await applyFilter(workspace, comparison, gapFilter.parse({}));
  const first = (passes: (i: number) => boolean, most: number, from: Int32Array = order): number[] => {
    const found: number[] = [];
    for (const i of from) {
      if (found.length === most) break;
      if (passes(i)) found.push(i);
    }
    return found;
  };
  const rows = (indices: number[]) => gapRows(workspace.database, comparison, indices);
  const unbid = PAID_STATES.indexOf('unbid');
  const byMove = (
    await filteredOrder(workspace, projectId, read({ sort: [{ sort: 'move', descending: true }] }))
  ).order;
  const byFall = (
    await filteredOrder(workspace, projectId, read({ sort: [{ sort: 'move', descending: false }] }))
  ).order;
  const work = await whatToDo(workspace, projectId, read({ offset: 0, limit: top }));
  const content = {
    project: project.name,
    market: `${market.placeName}, ${market.languageName}, ${market.surface}`,
    date: comparison.date,
    compare: comparison.compareDate,
    front: project.settings.front,
    currency: project.settings.currency,
    scope: await scopeName(workspace, projectId, query.pool),
    totals: totalsOf(comparison, all, order),
    sides: sidesOf(comparison),
    rivals: rivalColumns(comparison),
    work,
    top: await rows(work.lines.map(({ lead }) => entryOf(comparison, lead.id))),
    paid: {
      unbid: await rows(first((i) => gaps.paid[i] === unbid && gaps.priority[i]! > 0, FEW)),
      doubling: await rows(first((i) => gaps.doubling[i] === 1, FEW)),
    },
    movers: {
      up: await rows(first((i) => gaps.moved[i]! > 0, FEW, byMove)),
      down: await rows(first((i) => gaps.moved[i]! < 0, FEW, byFall)),
    },
    sources: await sourcesOf(workspace, projectId, comparison),
  };
  const captured = comparison.rows.reduce(
    (count, row) => count + (comparison.now.capture[row] === 0 ? 0 : 1),
    0,
  );
  return {
    ...content,
    sentences: summarySentences(content),
    quality: qualitySentences(content, captured, comparison.models),
  };
}

async function scopeName(workspace: Workspace, projectId: number, pool: number | undefined): Promise<string> {
  if (pool === undefined) return 'all keywords of the project';
  const [lookUp] = await listLookUps(workspace.database, projectId, pool);
  return lookUp ? `look-up ${lookUp.name} of ${lookUp.date}` : `look-up ${pool}`;
}

function sidesOf(comparison: Comparison): Report['sides'] {
  const { now, before, rows, curve, sides } = comparison;
  const expected = byStanding(comparison, comparison.columns.expectedVolume);
  const volumes = byStanding(comparison, comparison.volume);
  const factors = byStanding(comparison, comparison.columns.featureFactor);
  const side = (
    name: string,
    standing: SideStanding,
    earlier: SideStanding | undefined,
  ): Report['sides'][number] => ({
    name,
    visibility: visibility(standing.organic, expected, curve, rows),
    visibilityBefore: earlier ? visibility(earlier.organic, expected, curve, rows) : null,
    depth: countsByDepth(standing.organic, rows, depthBand),
    paidKeywords: rows.reduce((sum, row) => sum + (isRanked(standing.paid[row]!) ? 1 : 0), 0),
    clicks: clicksOfSide(standing.organic, volumes, factors, curve, rows),
  });
  return [
    side(sides.ownName, now.own, before?.own),
    ...sides.rivals.map((rival, r) => side(rival.name, now.rivals[r]!, before?.rivals[r])),
  ];
}

async function sourcesOf(
  workspace: Workspace,
  projectId: number,
  { market, date }: Comparison,
): Promise<Report['sources']> {
  const groups = new Map<string, Report['sources'][number]>();
  for (const segment of await findSegments(workspace.database, { marketId: market.id, until: date })) {
    if (segment.projectId !== null && segment.projectId !== projectId) continue;
    const name = `${segment.source}|${segment.kind}`;
    const group = groups.get(name);
    if (group) {
      group.to = segment.date;
      group.rows += segment.rows;
    } else {
      groups.set(name, {
        source: segment.source,
        kind: segment.kind,
        from: segment.date,
        to: segment.date,
        rows: segment.rows,
      });
    }
  }
  return [...groups.values()];
}
