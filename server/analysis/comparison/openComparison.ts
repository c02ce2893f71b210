import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import type { Ground } from '@opsimath/contract/api/grounds';
import { daysUntil, observedAuctions } from '../../data/auctions';
import { chosenActions } from '../../data/chosenActions';
import { completeLookUps } from '../../data/completeLookUps';
import type { Revisions } from '../../data/grounds';
import { type HandFact, handFacts } from '../../data/handPositions';
import { keywordIdRange } from '../../data/keywords';
import { listById, listMembers } from '../../data/lists';
import { lookUpById, lookUpIdsOf } from '../../data/lookUps';
import { type MarketRow, marketByCode } from '../../data/markets';
import { findsSegments, poolSegments, uniqueIds } from '../../data/pools';
import { projectById } from '../../data/projects';
import { type StoredSegment, findSegments } from '../../data/segments/segments';
import { trackedKeywords } from '../../data/tracked';
import { verdictColumns } from '../../data/verdicts';
import { KnownProblem } from '../../problems/problem';
import { adTermsUntil } from '../facts/adTerms';
import { borrowedUntil, lendersName } from '../facts/borrowed';
import { gatherMetrics } from '../facts/metrics';
import { gatherSides } from '../facts/sides';
import { type Presumed, presumeAbsent } from '../facts/presumed';
import { type Standings, buildStandings } from '../facts/standings';
import { modelsUntil } from '../models/models';
import type { Workspace } from '../kept/workspace';
import { type Comparison, buildComparison, withWords } from './comparison';
import { namesHeld } from './namesHeld';
import { waryKeywords } from './wary';

/** Auctions count for so many days (method §17). */
const AUCTION_DAYS = 28;

/** A comparison, the name it is kept under, and where everything stood when it was asked for. */
export interface OpenComparison {
  comparison: Comparison;
  name: string;
  revisions: Revisions;
}

/** The comparison of a scope as it is now. */
export async function openComparison(
  workspace: Workspace,
  projectId: number,
  scope: ComparisonScope,
): Promise<OpenComparison> {
  const market = await marketByCode(workspace.database, scope.market);
  const { pool: lookUp } = scope;
  const revisions = await workspace.revisions({
    project: projectId,
    market: market.id,
    ...(lookUp === undefined ? {} : { lookUp }),
  });
  const { settings } = await projectById(workspace.database, projectId);
  const { value: gathered, name } = await workspace.named(
    'comparison',
    revisions,
    [scope.date, scope.compare, scope.pool, scope.list, scope.only, lendersName(settings, revisions)],
    () => gather(workspace, projectId, market, scope, revisions),
    groundsOfKeywords(scope),
  );
  const { pool, list, only, ...all } = scope;
  const isWhole = pool === undefined && list === undefined && only === undefined;
  const whole = isWhole ? null : await openComparison(workspace, projectId, all);
  const judged = await workspace.named('judged', revisions, [name, whole?.name], async () =>
    withWords(
      gathered,
      await verdictColumns(workspace.database, projectId, market.id),
      await chosenActions(workspace.database, projectId, market.id),
      await workspace.keep('wary', revisions, [projectId, market.id], () =>
        waryKeywords(workspace, projectId, market),
      ),
      await workspace.keep('names', revisions, [projectId, market.id], () => namesHeld(workspace, projectId)),
      whole?.comparison ?? null,
    ),
  );
  return { comparison: judged.value, name: judged.name, revisions };
}

/** What decides which keywords are in scope. */
function groundsOfKeywords({ pool, list, only }: ComparisonScope): Ground[] {
  if (list !== undefined) return ['lists'];
  if (only === 'tracked') return ['tracked'];
  // Which look-ups there are shows in their facts.
  return pool === undefined ? ['tracked'] : ['lookUp'];
}

async function gather(
  workspace: Workspace,
  projectId: number,
  market: MarketRow,
  scope: ComparisonScope,
  revisions: Revisions,
): Promise<Comparison> {
  const { database, store } = workspace;
  const project = await projectById(database, projectId);
  const range = await keywordIdRange(database, market.id);
  const space = range ?? { least: 0, most: 0 };
  const keywords =
    range === null ? new Int32Array(0) : await keywordsInScope(workspace, projectId, market, scope);
  const sides = await gatherSides(database, projectId, market.surface);
  const segments = await findSegments(database, { marketId: market.id });
  const until = (date: string): StoredSegment[] => segments.filter((segment) => segment.date <= date);
  const hand = await handFacts(database, projectId, market.id);
  const counted = project.settings.handCounts ? hand : [];
  const known = (date: string): HandFact[] => counted.filter((entry) => entry.date <= date);
  const { settings } = project;
  const complete = settings.presumedAbsent ? await completeLookUps(database, market.id) : [];
  const standingsAt = async (date: string): Promise<{ standings: Standings; presumed: Presumed }> => {
    const standings = await buildStandings(store, until(date), sides, space, known(date));
    const looked = complete.filter((look) => look.date <= date);
    return { standings, presumed: await presumeAbsent(store, standings, until(date), looked, sides) };
  };
  const { standings: now, presumed } = await standingsAt(scope.date);
  return buildComparison(store, {
    isWhole: scope.pool === undefined && scope.list === undefined && scope.only === undefined,
    models: await modelsUntil(workspace, market, projectId, scope.date, revisions, settings, sides),
    auctions: await observedAuctions(
      database,
      market.id,
      daysUntil(scope.date, AUCTION_DAYS)[0]!,
      scope.date,
    ),
    ads: await adTermsUntil(workspace, revisions, projectId, market.id, scope.date),
    project,
    market,
    date: scope.date,
    compareDate: scope.compare ?? null,
    sides,
    keywords,
    byHand: new Set(hand.filter(({ date }) => date <= scope.date).map(({ keyword }) => keyword)),
    borrowed: settings.volumeBorrowed ? await borrowedUntil(workspace, market, scope.date, revisions) : null,
    now,
    before: scope.compare ? (await standingsAt(scope.compare)).standings : null,
    presumed,
    metrics: await gatherMetrics(
      store,
      segments.filter((segment) => segment.kind === 'metrics'),
      scope.date,
      space,
    ),
  });
}

/** How many keywords a scope compares: what the head of Gaps says, and the row of stages. */
export async function keywordsCompared(
  workspace: Workspace,
  projectId: number,
  scope: Pick<ComparisonScope, 'market'>,
): Promise<number> {
  const market = await marketByCode(workspace.database, scope.market);
  const revisions = await workspace.revisions({ project: projectId, market: market.id });
  return workspace.keep('compared', revisions, [], async () => {
    const all = { market: scope.market, date: '' };
    return (await keywordsInScope(workspace, projectId, market, all)).length;
  });
}

/** Keywords of a list or a pool, all followed ones, or every keyword that the project has met in the market. Ascending. */
async function keywordsInScope(
  { database, store }: Workspace,
  projectId: number,
  market: MarketRow,
  { pool, list, only }: ComparisonScope,
): Promise<Int32Array> {
  if (list !== undefined) {
    if ((await listById(database, projectId, list)).marketId !== market.id)
      throw new KnownProblem('list-of-another-market', `List ${list} belongs to another market.`);
    return listMembers(database, list);
  }
  if (only === 'tracked') return Int32Array.from(await trackedKeywords(database, projectId, market.id));
  const parts: Int32Array[] = [];
  const take = async (segments: readonly StoredSegment[]): Promise<void> => {
    for (const { id } of segments) parts.push(await store.column<Int32Array>(id, 'keyword'));
  };
  const takePool = async (lookUp: number): Promise<void> => {
    await take(await poolSegments(database, lookUp));
    await take(await findsSegments(database, lookUp));
  };
  if (pool !== undefined) {
    if ((await lookUpById(database, pool)).marketId !== market.id)
      throw new KnownProblem('pool-of-another-market', `Look-up ${pool} belongs to another market.`);
    await takePool(pool);
  } else {
    for (const lookUp of await lookUpIdsOf(database, projectId, market.id)) await takePool(lookUp);
    await take(await findSegments(database, { marketId: market.id, kind: 'performance', projectId }));
    parts.push(Int32Array.from(await trackedKeywords(database, projectId, market.id)));
  }
  return uniqueIds(parts);
}
