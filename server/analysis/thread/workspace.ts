import type { ComparisonScope } from '@opsimath/contract/api/gaps';
import type { Database } from '../../data/connection';
import { key } from '@opsimath/core/text/key';
import { keywordIdsHolding } from '../../data/keywordWords';
import { listTargets } from '../../data/targets';
import { keywordIdRange, keywordsByKey } from '../../data/keywords';
import { listById, listMembers, listState } from '../../data/lists';
import { lookUpById } from '../../data/lookUps';
import { type MarketRow, marketByCode } from '../../data/markets';
import { findsSegments, poolSegments, uniqueIds } from '../../data/pools';
import { type HandFact, handFacts } from '../../data/handPositions';
import { projectById } from '../../data/projects';
import { type StoredSegment, findSegments } from '../../data/segments/segments';
import { trackedKeywords } from '../../data/tracked';
import { verdictColumns, verdictState } from '../../data/verdicts';
import { KnownProblem } from '../../problem';
import { adTermsUntil } from '../facts/adTerms';
import { type Borrowed, borrowedVolumes } from '../facts/borrowed';
import { ColumnStore, Lately } from '../facts/columnStore';
import { type Comparison, buildComparison, withVerdicts } from '../comparison/comparison';
import type { Filtered } from '../comparison/gapFilter';
import { gatherMetrics } from '../facts/metrics';
import { type Models, type ModelSettings, fitModels } from '../models/models';
import { gatherSides } from '../facts/sides';
import { buildStandings } from '../facts/standings';

const KEPT_COMPARISONS = 6;
const KEPT_MODELS = 6;
const KEPT_ORDERS = 24;
const KEPT_FILTERS = 12;

/**
 * What the analysis thread keeps in memory. A comparison is named by all it depends on: project revision,
 * the market's newest segment, scope. When any of them changes, a new one is worked out.
 */
export class Workspace {
  readonly store: ColumnStore;
  private readonly comparisons = new Lately<Comparison>(KEPT_COMPARISONS);
  private readonly judged = new Lately<Comparison>(KEPT_COMPARISONS);
  private readonly fitted = new Lately<Models>(KEPT_MODELS);
  private readonly alphabets = new Lately<Int32Array>(2);
  private readonly lent = new Lately<{ found: Borrowed | null }>(2);
  private readonly sorted = new Lately<{ ids: Int32Array; words: Uint8Array }>(2);
  readonly orders = new Lately<Int32Array>(KEPT_ORDERS);
  readonly filters = new Lately<Filtered>(KEPT_FILTERS);

  constructor(
    readonly database: Database,
    budgetBytes: number,
  ) {
    this.store = new ColumnStore(database, budgetBytes);
  }

  async comparison(
    projectId: number,
    scope: ComparisonScope,
  ): Promise<{ comparison: Comparison; name: string }> {
    const market = await marketByCode(this.database, scope.market);
    const project = await projectById(this.database, projectId);
    const state = await this.factState(market.id, projectId);
    const name = JSON.stringify([
      projectId,
      project.revision,
      state,
      market.id,
      scope.date,
      scope.compare,
      scope.pool,
      scope.list === undefined ? null : [scope.list, await listState(this.database, scope.list)],
      scope.only,
    ]);
    const gathered = (): Promise<Comparison> =>
      this.comparisons.get(name, async () => {
        const range = await keywordIdRange(this.database, market.id);
        const keywords =
          range === null ? new Int32Array(0) : await this.keywordsInScope(projectId, market, scope);
        const sides = await gatherSides(this.database, projectId, market.surface);
        const space = range ?? { least: 0, most: 0 };
        const segments = await findSegments(this.database, { marketId: market.id });
        const until = (date: string): StoredSegment[] => segments.filter((segment) => segment.date <= date);
        const hand = await handFacts(this.database, projectId, market.id);
        const counted = project.settings.handCounts ? hand : [];
        const known = (date: string): HandFact[] => counted.filter((entry) => entry.date <= date);
        const borrowed = project.settings.volumeBorrowed
          ? await this.borrowed(market, scope.date, state)
          : null;
        const models = await this.models(market, projectId, scope.date, state, project.settings);
        return buildComparison(this.store, {
          models,
          ads: await adTermsUntil(this, projectId, market.id, scope.date),
          project,
          market,
          date: scope.date,
          compareDate: scope.compare ?? null,
          sides,
          keywords,
          byHand: new Set(hand.filter(({ date }) => date <= scope.date).map(({ keyword }) => keyword)),
          borrowed,
          now: await buildStandings(this.store, until(scope.date), sides, space, known(scope.date)),
          before: scope.compare
            ? await buildStandings(this.store, until(scope.compare), sides, space, known(scope.compare))
            : null,
          metrics: await gatherMetrics(
            this.store,
            segments.filter((segment) => segment.kind === 'metrics'),
            scope.date,
            space,
          ),
        });
      });
    const judged = `${name}|${await verdictState(this.database, projectId)}`;
    const comparison = await this.judged.get(judged, async () =>
      withVerdicts(await gathered(), await verdictColumns(this.database, projectId, market.id)),
    );
    return { comparison, name: judged };
  }

  /** Volumes that another surface lends a market as of a date; made once for what is held. */
  async borrowed(market: MarketRow, date: string, state: string): Promise<Borrowed | null> {
    const everywhere = await this.database.client.execute(
      "SELECT max(id) || '/' || count(*) AS state FROM segment WHERE kind = 'metrics'",
    );
    const name = JSON.stringify([market.id, date, state, everywhere.rows[0]!.state]);
    const { found } = await this.lent.get(name, async () => ({
      found: await borrowedVolumes(this.database, market, date),
    }));
    return found;
  }

  /** Click-through and chance, fitted to what is held on or before a date. */
  models(
    market: MarketRow,
    projectId: number,
    date: string,
    state: string,
    { front, curvePrior, curveFitted, brandLeftOut, chanceFitted, chanceWeights }: ModelSettings,
  ): Promise<Models> {
    const settings = { front, curvePrior, curveFitted, brandLeftOut, chanceFitted, chanceWeights };
    const [facts] = state.split('|');
    return this.fitted.get(JSON.stringify([market.id, projectId, date, facts, settings]), async () => {
      const segments = await findSegments(this.database, { marketId: market.id, until: date });
      const ours = segments.filter(({ kind, projectId: of }) => kind !== 'performance' || of === projectId);
      const leftOut = brandLeftOut ? await this.brandQueries(projectId) : new Set<number>();
      return fitModels(this.store, market, ours, settings, leftOut);
    });
  }

  /** Keywords that hold the name of an own target. */
  private async brandQueries(projectId: number): Promise<Set<number>> {
    const own = (await listTargets(this.database, projectId)).filter(({ side }) => side === 'own');
    const found = new Set<number>();
    for (const name of new Set(own.map((target) => key(target.name))))
      for (const id of await keywordIdsHolding(this.database, name, 'phrase')) found.add(id);
    return found;
  }

  /** Keywords of a market in the order of their keys. */
  async alphabetical(market: MarketRow, state: string): Promise<{ ids: Int32Array; words: Uint8Array }> {
    // Only new keywords change it.
    const keywords = state.split('|')[1];
    return this.sorted.get(`${market.id}:${keywords}`, () => keywordsByKey(this.database, market.id));
  }

  /** Rank of every keyword of a market by its key, as index of the sorted ids. */
  alphabet(market: MarketRow, state: string): Promise<Int32Array> {
    return this.alphabets.get(`${market.id}:${state}`, async () => {
      const { ids } = await this.alphabetical(market, state);
      const range = (await keywordIdRange(this.database, market.id)) ?? { least: 0, most: -1 };
      const ranks = new Int32Array(range.most - range.least + 1);
      ids.forEach((id, rank) => (ranks[id - range.least] = rank));
      return ranks;
    });
  }

  /** Changes whenever a fact of the market does. */
  async factState(marketId: number, projectId: number): Promise<string> {
    const answer = await this.database.client.execute({
      sql: `SELECT (SELECT max(id) || '/' || count(*) FROM segment WHERE market_id = ?1) AS facts,
                   (SELECT max(id) || '' FROM keyword) AS keywords,
                   (SELECT count(*) || '' FROM tracked WHERE project_id = ?2) AS tracked`,
      args: [marketId, projectId],
    });
    const row = answer.rows[0]!;
    return `${row.facts}|${row.keywords}|${row.tracked}`;
  }

  /** Keywords of a list or a pool, all followed ones, or every keyword that the project has met in the market. Ascending. */
  private async keywordsInScope(
    projectId: number,
    market: MarketRow,
    { pool, list, only }: ComparisonScope,
  ): Promise<Int32Array> {
    if (list !== undefined) {
      if ((await listById(this.database, projectId, list)).marketId !== market.id)
        throw new KnownProblem('list-of-another-market', `List ${list} belongs to another market.`);
      return listMembers(this.database, list);
    }
    if (only === 'tracked')
      return Int32Array.from(await trackedKeywords(this.database, projectId, market.id));
    const parts: Int32Array[] = [];
    const take = async (segment: StoredSegment): Promise<void> => {
      parts.push(await this.store.column<Int32Array>(segment.id, 'keyword'));
    };
    const takePool = async (lookUp: number): Promise<void> => {
      for (const segment of await poolSegments(this.database, lookUp)) await take(segment);
      for (const segment of await findsSegments(this.database, lookUp)) await take(segment);
    };
    if (pool !== undefined) {
      if ((await lookUpById(this.database, pool)).marketId !== market.id) {
        throw new KnownProblem('pool-of-another-market', `Look-up ${pool} belongs to another market.`);
      }
      await takePool(pool);
    } else {
      const lookUps = await this.database.client.execute({
        sql: 'SELECT id FROM look_up WHERE project_id = ? AND market_id = ?',
        args: [projectId, market.id],
      });
      for (const row of lookUps.rows) await takePool(Number(row.id));
      const own = await findSegments(this.database, { marketId: market.id, kind: 'performance', projectId });
      for (const segment of own) await take(segment);
      parts.push(Int32Array.from(await trackedKeywords(this.database, projectId, market.id)));
    }
    return uniqueIds(parts);
  }
}
