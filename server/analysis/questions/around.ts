import type { Around } from '@opsimath/contract/api/around';
import type { ShownPage } from '@opsimath/contract/api/dossier';
import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import { coverage } from '@opsimath/core/copy/coverage';
import { COVERAGES } from '@opsimath/core/copy/coverageWords';
import { startBy } from '@opsimath/core/demand/startBy';
import { peakMonth, seasonStrength, trendOf } from '@opsimath/core/demand/trend';
import { easierNeighbours } from '@opsimath/core/gap/neighbours';
import { turnover } from '@opsimath/core/gap/ratios';
import { clicksOfFront } from '@opsimath/core/ranking/clickThrough';
import { GAP_KINDS } from '@opsimath/core/gap/kind';
import { median } from '@opsimath/core/ranking/statistics';
import { wordsTable } from '@opsimath/core/copy/wordsTable';
import { key } from '@opsimath/core/text/key';
import type { Revisions } from '../../data/grounds';
import { indexStatesOf } from '../../data/indexChecks';
import { keywordIdsContaining, keywordIdsOfKnown, keywordsById } from '../../data/keywords';
import { listMarkets } from '../../data/markets';
import { volumesAt } from '../../data/volumes';
import { KnownProblem } from '../../problems/problem';
import type { Comparison } from '../comparison/comparison';
import { beforeUs, frontInFigures } from './frontFacts';
import { gapFigure } from '../comparison/gapFigures';
import { clustersOf } from '../comparison/gapClusters';
import { borrowedUntil } from '../facts/borrowed';
import { resultPage } from '../facts/history';
import { seasonOf } from '../facts/metrics';
import { openComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';

const SERIES_MONTHS = 36;
const MOST_CANDIDATES = 8;
const MOST_NEIGHBOURS = 10;
/** Clusters are made for the dossier only where that is quick. */
const MOST_CLUSTERED = 50_000;

/** What lies around one keyword of a comparison (method §2, §12, §14). */
export async function around(
  workspace: Workspace,
  projectId: number,
  scope: ComparisonScope,
  keywordId: number,
): Promise<Around> {
  const { comparison, revisions } = await openComparison(workspace, projectId, scope);
  const i = comparison.keywords.indexOf(keywordId);
  if (i < 0)
    throw new KnownProblem('not-in-scope', `Keyword ${keywordId} is not in this scope.`, 'Choose another.');
  const { market, sides, project } = comparison;
  const page = await resultPage(workspace, market.id, keywordId, scope.date, sides);
  const keywordKey = (await keywordsById(workspace.database, [keywordId])).get(keywordId)!.key;
  const front = page === null ? null : frontInFigures(comparison, page, keywordKey);
  return {
    before: page === null ? null : beforeUs(page, project.settings.resultsPerPage ?? market.resultsPerPage),
    front,
    candidates: await candidatesOf(workspace, comparison, page, keywordKey),
    lookedTo: page?.depth ?? null,
    neighbours: await neighboursOf(workspace, comparison, i, keywordKey),
    markets: await marketsOf(workspace, comparison, keywordKey),
    demand: await demandOf(workspace, comparison, i, project.settings.leadDays),
    rough: {
      ...roughOf(comparison, i, page),
      borrowed: await borrowedFor(workspace, revisions, comparison, i),
    },
  };
}

/** Own targets of the capture, then those that hold most of its words. */
async function candidatesOf(
  { database }: Workspace,
  { sides, market, project, date }: Comparison,
  page: ShownPage | null,
  keywordKey: string,
): Promise<Around['candidates']> {
  const positions = new Map(
    (page?.slots ?? [])
      .filter(({ kind, side, address }) => kind === 'organic' && side === 'own' && address !== null)
      .map(({ address, position }) => [address!, position!]),
  );
  const records = new Map(sides.own.map(({ address, record }) => [address, record]));
  const found = sides.ownPlaces
    .filter(({ title, address }) => title !== '' || positions.has(address))
    .map(({ address, title, description }) => {
      const fields = [title, description, ...Object.values(records.get(address)?.fields ?? {})].map(key);
      const { word, held, of } = coverage(keywordKey, fields, market.language);
      const covered = wordsTable(
        fields.map((text) => ({ name: '', text })),
        [{ key: keywordKey, volume: 0 }],
        market.language,
      ).keywords;
      const missing = covered[0]?.missing ?? [];
      return { address, title, position: positions.get(address) ?? null, coverage: word, held, of, missing };
    })
    .filter(({ position, held, of }) => position !== null || held * 2 >= of)
    .sort(
      (a, b) =>
        (a.position ?? 1000) - (b.position ?? 1000) ||
        COVERAGES.indexOf(a.coverage) - COVERAGES.indexOf(b.coverage) ||
        b.held - a.held ||
        (a.address < b.address ? -1 : 1),
    )
    .slice(0, MOST_CANDIDATES);
  const addresses = found.map(({ address }) => address);
  const states = await indexStatesOf(database, project.id, market.id, addresses, date);
  return found.map((candidate) => ({ ...candidate, index: states.get(candidate.address) ?? null }));
}

async function neighboursOf(
  workspace: Workspace,
  comparison: Comparison,
  i: number,
  keywordKey: string,
): Promise<Around['neighbours']> {
  const { keywords, gaps, project } = comparison;
  if (Number.isNaN(gaps.chance[i]!)) return [];
  const containing = new Set(
    await keywordIdsContaining(workspace.database, comparison.market.id, keywordKey),
  );
  const clusters = keywords.length <= MOST_CLUSTERED ? await clustersOf(workspace, comparison) : null;
  const found = easierNeighbours(i, {
    chances: gaps.chance,
    worths: gaps.worthAMonth,
    clusters,
    contains: (at) => containing.has(keywords[at]!),
    times: project.settings.thresholds.easier,
  });
  const texts = await keywordsById(
    workspace.database,
    found.map(({ at }) => keywords[at]!),
  );
  const textAt = (at: number) => {
    const id = keywords[at]!;
    return texts.get(id)!;
  };
  return found
    .filter(({ at, why }) => why === 'same cluster' || ` ${textAt(at).key} `.includes(` ${keywordKey} `))
    .slice(0, MOST_NEIGHBOURS)
    .map(({ at, why }) => ({
      id: keywords[at]!,
      text: textAt(at).text,
      kind: GAP_KINDS[gaps.kind[at]!]!,
      chance: gaps.chance[at]!,
      worthAMonth: Number.isNaN(gaps.worthAMonth[at]!) ? null : gaps.worthAMonth[at]!,
      why,
    }));
}

/** Searches a month and our position in every market of the surface and language. */
async function marketsOf(
  workspace: Workspace,
  { market, date, sides }: Comparison,
  keywordKey: string,
): Promise<Around['markets']> {
  const { database } = workspace;
  const markets = (await listMarkets(database)).filter(
    // A place within a market is part of it: counted beside it, it would be counted twice.
    ({ id, surface, language, within }) =>
      surface === market.surface && language === market.language && (within === null || id === market.id),
  );
  const rows: Around['markets'] = [];
  for (const each of markets) {
    const [id] = await keywordIdsOfKnown(database, each.id, [keywordKey]);
    const volume = id ? ((await volumesAt(database, each.id, date)).get(id) ?? null) : null;
    const page = id ? await resultPage(workspace, each.id, id, date, sides) : null;
    const ours = (page?.slots ?? []).flatMap(({ kind, side, position }) =>
      kind === 'organic' && side === 'own' && position !== null ? [position] : [],
    );
    const own = page === null ? 'unknown' : ours.length > 0 ? Math.min(...ours) : 'absent';
    rows.push({ market: each.code, place: each.placeName, within: each.within, volume, own });
  }
  return rows;
}

async function demandOf(
  { store }: Workspace,
  { metrics, rows, date }: Comparison,
  i: number,
  leadDays: number,
): Promise<Around['demand']> {
  const row = rows[i]!;
  const number = metrics.segment[row]!;
  if (number === 0) return { strength: null, peak: null, startBy: null, trend: null, slope: null, p: null };
  const { head } = metrics.segments[number - 1]!;
  const at = metrics.row[row]!;
  const series = await store.column<Int32Array>(head.id, 'series');
  const firstMonth = (await store.column<Int32Array>(head.id, 'firstMonth'))[at]! % 12;
  const months = Array.from(series.subarray(at * SERIES_MONTHS, (at + 1) * SERIES_MONTHS), (count) =>
    count < 0 ? null : count,
  );
  const peak = peakMonth(seasonOf(metrics, row));
  const trend = trendOf(months, firstMonth);
  return {
    strength: seasonStrength(months, firstMonth),
    peak,
    startBy: peak === null ? null : startBy(peak, date, leadDays),
    trend: trend?.word ?? null,
    slope: trend?.slope ?? null,
    p: trend?.p ?? null,
  };
}

/** Figures that help to think and are no part of priority. */
function roughOf(
  comparison: Comparison,
  i: number,
  page: ShownPage | null,
): Omit<Around['rough'], 'borrowed'> {
  const { columns, curve, ads, project } = comparison;
  const { front: depth, conversionRate: set } = project.settings;
  const prior = ads.together?.prior;
  const conversionRate = prior ? prior.alpha / (prior.alpha + prior.beta) : set;
  const price = median(
    (page?.slots ?? []).flatMap(({ kind, position, figures }) =>
      kind === 'organic' && position !== null && position <= depth && figures.price !== undefined
        ? [figures.price]
        : [],
    ),
  );
  const demand = columns.expectedVolume[i]!;
  const turned = (searches: number): number | null =>
    price === null || conversionRate === null
      ? null
      : knownOrNull(turnover(searches, curve, depth, conversionRate, price));
  return {
    volumeByResults: gapFigure(comparison, 'volume to results', i),
    clicksASearch: page === null ? null : columns.featureFactor[i]! * clicksOfFront(curve, depth),
    volumeByExactRivals: gapFigure(comparison, 'volume to rivals', i),
    turnover: turned(demand),
    turnoverASearch: turned(1),
    conversionRate,
    price,
  };
}

const knownOrNull = (value: number): number | null => (Number.isNaN(value) ? null : value);

/** What another surface would lend, asked only where no volume is known here. */
async function borrowedFor(
  workspace: Workspace,
  revisions: Revisions,
  { metrics, rows, keywords, market, date }: Comparison,
  i: number,
): Promise<Around['rough']['borrowed']> {
  if (!Number.isNaN(metrics.volume[rows[i]!]!)) return null;
  const lent = await borrowedUntil(workspace, market, date, revisions);
  const id = keywords[i]!;
  const volume = lent?.volumes.get(id);
  if (lent === null || volume === undefined) return null;
  return { volume, from: lent.from, ratio: lent.ratio, pairs: lent.pairs };
}
