import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { type ChanceWeights, chanceFeatures, defaultChanceWeights } from '@opsimath/core/gap/chance';
import type { FittedChance } from '@opsimath/core/gap/fitChance';
import { type ClickCurve, priorCurve } from '@opsimath/core/ranking/clickThrough';
import {
  type ClickBuckets,
  addToBuckets,
  emptyBuckets,
  fitClickCurve,
} from '@opsimath/core/ranking/fitCurve';
import { key } from '@opsimath/core/text/key';
import type { Revisions } from '../../data/grounds';
import { keywordIdRange } from '../../data/keywords';
import { keywordIdsHolding } from '../../data/keywordWords';
import type { MarketRow } from '../../data/markets';
import { findSegments } from '../../data/segments/segments';
import { listTargets } from '../../data/targets';
import { CaptureReader, newestCaptures } from '../facts/captures';
import { ownFigures } from '../facts/ownFigures';
import { slotStanding } from '../facts/slotFigures';
import type { Sides } from '../facts/sides';
import { givingWay } from '../kept/giveWay';
import type { Workspace } from '../kept/workspace';
import { type Forecast, forecastUntil } from './forecast';
import { inFitWorker } from './inFitWorker';

/** Click-through and what is foretold, as they were fitted, or the prior and stated defaults for want of material. */
export interface Models {
  forecast: Forecast;
  curve: ClickCurve;
  /** Own search performance that the curve rests on. */
  buckets: ClickBuckets;
  curveFitted: boolean;
}

/** What a page’s fields alone tell of standing on the front. */
interface ChanceModel {
  weights: ChanceWeights;
  /** `null` while the default weights hold. */
  fitted: FittedChance | null;
}

/** What of a project's settings decides the models. */
type ModelSettings = Pick<
  ProjectSettings,
  'front' | 'curvePrior' | 'curveFitted' | 'brandLeftOut' | 'chanceFitted' | 'chanceWeights'
>;

const DEEPEST = 50;
/** More captures than this are not needed: every n-th is taken. */
const MOST_CAPTURES = 4000;

/** Click-through and forecast (method §3, §6a), fitted to what is held on or before a date. */
export async function modelsUntil(
  workspace: Workspace,
  market: MarketRow,
  projectId: number,
  date: string,
  revisions: Revisions,
  settings: ProjectSettings,
  sides: Sides,
): Promise<Models> {
  return {
    ...(await curveUntil(workspace, market, projectId, date, revisions, settings)),
    forecast: await forecastUntil(workspace, market, projectId, date, revisions, settings, sides),
  };
}

/** The click-through curve in use (method §3). No row of a later day counts, whenever its file came. */
export function curveUntil(
  workspace: Workspace,
  market: MarketRow,
  projectId: number,
  date: string,
  revisions: Revisions,
  { curvePrior, curveFitted, brandLeftOut }: ModelSettings,
): Promise<Pick<Models, 'curve' | 'buckets' | 'curveFitted'>> {
  const prior = curvePrior[market.surface];
  const name = [market.id, projectId, date, prior, curveFitted, brandLeftOut];
  return workspace.keep('curve', revisions, name, async () => {
    const buckets = emptyBuckets();
    if (curveFitted) {
      const leftOut = brandLeftOut ? await brandQueries(workspace, projectId) : new Set<number>();
      const { rows } = await ownFigures(workspace, revisions, projectId, market.id, date);
      for (const row of rows) if (!leftOut.has(row.keyword)) addToBuckets(buckets, row);
    }
    const isFitted = buckets.impressions.some((count) => count > 0);
    const curve = isFitted
      ? fitClickCurve(market.surface, buckets, prior)
      : priorCurve(market.surface, prior);
    return { curve, buckets, curveFitted: isFitted };
  });
}

/** The weights of chance (method §6), the same for every project with the same front. */
export function chanceUntil(
  workspace: Workspace,
  market: MarketRow,
  date: string,
  revisions: Revisions,
  { front, chanceFitted, chanceWeights }: ModelSettings,
): Promise<ChanceModel> {
  const name = [market.id, date, front, chanceFitted, chanceWeights];
  return workspace.keep('chance', revisions, name, async () => {
    const fitted = chanceFitted ? await fitOnCaptures(workspace, market, date, front) : null;
    return { weights: fitted ?? defaultChanceWeights(front, chanceWeights), fitted };
  });
}

/** Keywords that hold the name of an own target. */
async function brandQueries({ database }: Workspace, projectId: number): Promise<Set<number>> {
  const own = (await listTargets(database, projectId)).filter(({ side }) => side === 'own');
  const found = new Set<number>();
  for (const name of new Set(own.map((target) => key(target.name))))
    for (const id of await keywordIdsHolding(database, name, 'phrase')) found.add(id);
  return found;
}

/** The newest capture of each keyword, in the order of keyword ids. */
async function fitOnCaptures(
  { database, store }: Workspace,
  market: MarketRow,
  date: string,
  front: number,
): Promise<FittedChance | null> {
  const range = await keywordIdRange(database, market.id);
  if (range === null) return null;
  const segments = await findSegments(database, { marketId: market.id, kind: 'captures', until: date });
  const reader = await CaptureReader.over(store, await newestCaptures(store, segments, range));
  const features: number[] = [];
  const inside: number[] = [];
  const keyword: number[] = [];
  const giveWay = givingWay();
  for (const [n, id] of reader.sample(MOST_CAPTURES).entries()) {
    await giveWay();
    const page = reader.page(id)!;
    const { figures, row } = page;
    const medians = figures.medians.map((values) => values[row]!);
    for (const { slot, position, place } of reader.results(page, DEEPEST)) {
      if (place === 0) continue;
      features.push(...chanceFeatures(slotStanding(figures, slot, figures.words[row]!), medians));
      inside.push(position <= front ? 1 : 0);
      keyword.push(n);
    }
  }
  return inFitWorker('chance', {
    rows: {
      features: Float64Array.from(features),
      inside: Uint8Array.from(inside),
      keyword: Int32Array.from(keyword),
    },
    against: defaultChanceWeights(front),
  });
}
