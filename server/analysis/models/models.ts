import {
  chanceFeatures,
  CHANCE_FEATURES,
  defaultChanceWeights,
  type ChanceWeights,
} from '@opsimath/core/gap/chance';
import { type FittedChance, fitChance } from '@opsimath/core/gap/fitChance';
import { type ClickCurve, priorCurve } from '@opsimath/core/ranking/clickThrough';
import {
  type ClickBuckets,
  addToBuckets,
  emptyBuckets,
  fitClickCurve,
} from '@opsimath/core/ranking/fitCurve';
import type { ProjectSettings } from '@opsimath/contract/api/projects';
import type { MarketRow } from '../../data/markets';
import type { StoredSegment } from '../../data/segments/segments';
import type { ColumnStore } from '../facts/columnStore';
import { figuresOf } from '../facts/ownFigures';
import { type SlotFigures, slotFigures, slotStanding } from '../facts/slotFigures';
import { type CaptureColumns, captureColumnsOf } from '../facts/standings';

/** Click-through and chance as they were fitted, or the prior and default weights for want of material. */
export interface Models {
  curve: ClickCurve;
  /** Own search performance that the curve rests on. */
  buckets: ClickBuckets;
  curveFitted: boolean;
  weights: ChanceWeights;
  /** `null` while the default weights hold. */
  fitted: FittedChance | null;
}

/** What of a project's settings decides the models. */
export type ModelSettings = Pick<
  ProjectSettings,
  'front' | 'curvePrior' | 'curveFitted' | 'brandLeftOut' | 'chanceFitted' | 'chanceWeights'
>;

const DEEPEST = 50;
/** More captures than this are not needed: every n-th is taken. */
const MOST_CAPTURES = 4000;

/** Fits both models to what is held on or before a date (method §3, §6). */
export async function fitModels(
  store: ColumnStore,
  market: MarketRow,
  segments: readonly StoredSegment[],
  settings: ModelSettings,
  leftOut: ReadonlySet<number>,
): Promise<Models> {
  const { front } = settings;
  const prior = settings.curvePrior[market.surface];
  const buckets = await ownBuckets(
    store,
    settings.curveFitted ? segments.filter(({ kind }) => kind === 'performance') : [],
    leftOut,
  );
  const fitted = settings.chanceFitted
    ? await fitOnCaptures(
        store,
        segments.filter(({ kind }) => kind === 'captures'),
        front,
      )
    : null;
  const curveFitted = buckets.impressions.some((count) => count > 0);
  return {
    curve: curveFitted ? fitClickCurve(market.surface, buckets, prior) : priorCurve(market.surface, prior),
    buckets,
    curveFitted,
    weights: fitted ?? defaultChanceWeights(front, settings.chanceWeights),
    fitted,
  };
}

/** Own search performance by rounded average position; rows and files count as `ownFigures.ts` says. */
async function ownBuckets(
  store: ColumnStore,
  segments: readonly StoredSegment[],
  leftOut: ReadonlySet<number>,
): Promise<ClickBuckets> {
  const { rows } = await figuresOf(store, segments, Infinity);
  const buckets = emptyBuckets();
  for (const row of rows) if (!leftOut.has(row.keyword)) addToBuckets(buckets, row);
  return buckets;
}

interface Captured {
  columns: CaptureColumns;
  figures: SlotFigures;
  row: number;
}

/** The newest capture of each keyword, in the order of keyword ids. */
async function fitOnCaptures(
  store: ColumnStore,
  segments: readonly StoredSegment[],
  front: number,
): Promise<FittedChance | null> {
  const newest = new Map<number, Captured>();
  for (const segment of [...segments].sort((a, b) => a.date.localeCompare(b.date) || a.id - b.id)) {
    const columns = await captureColumnsOf(store, segment);
    const figures = await slotFigures(store, segment.id);
    columns.keyword.forEach((keyword, row) => newest.set(keyword, { columns, figures, row }));
  }
  const all = [...newest].sort(([a], [b]) => a - b).map(([, captured]) => captured);
  const step = Math.max(1, Math.ceil(all.length / MOST_CAPTURES));
  const features: number[] = [];
  const inside: number[] = [];
  const keyword: number[] = [];
  let number = 0;
  for (let n = 0; n < all.length; n += step) {
    const { columns, figures, row } = all[n]!;
    const medians = figures.medians.map((values) => values[row]!);
    const start = columns.slotStart[row]!;
    for (let slot = start; slot < start + columns.slotCount[row]!; slot++) {
      const position = columns.organic[slot]!;
      if (position < 1 || position > DEEPEST || columns.place[slot] === 0) continue;
      features.push(...chanceFeatures(slotStanding(figures, slot, figures.words[row]!), medians));
      inside.push(position <= front ? 1 : 0);
      keyword.push(number);
    }
    number++;
  }
  if (features.length !== inside.length * CHANCE_FEATURES.length) throw new Error('features out of step');
  return fitChance(
    {
      features: Float64Array.from(features),
      inside: Uint8Array.from(inside),
      keyword: Int32Array.from(keyword),
    },
    defaultChanceWeights(front),
  );
}
