import { afterAction, chance, chanceFeatures } from '@opsimath/core/gap/chance';
import type { ComparisonColumns } from '@opsimath/core/gap/compare';
import { logitError } from '@opsimath/core/gap/fitChance';
import { difficulty } from '@opsimath/core/ranking/difficulty';
import { exactRivals } from '@opsimath/core/ranking/front';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import { median } from '@opsimath/core/ranking/statistics';
import { keywordKeys } from '../../data/keywordKeys';
import { FEATURE_CODES } from '../../data/segments/captureColumns';
import { givingWay } from '../kept/giveWay';
import type { ColumnStore } from '../kept/columnStore';
import type { ComparisonParts } from './comparison';
import { OwnMaterial } from '../models/ownMaterial';
import { slotStanding } from '../facts/slotFigures';
import { type CapturedPage, CaptureReader } from '../facts/captures';

/** Figures of listings of which a front has a median. */
const FRONT_FIGURES = ['price', 'rating', 'reviews'] as const;
export type FrontFigure = (typeof FRONT_FIGURES)[number];

/** What only captures tell, one entry a keyword in every column. */
export interface CaptureFacts {
  /** 0–100; −1 where it is unknown. */
  difficulty: Int16Array;
  /** Standard error of the chance on the logit; NaN where it is unknown. */
  chanceError: Float64Array;
  /** First answer, image or video block of the newest capture of which no slot is ours, as an index into FEATURE_CODES; 0 for none. */
  openBlocks: Uint8Array;
  /** Place that holds the first slot of that block, 0 for nobody, and its organic position there, 0 for none. */
  blockHolder: Int32Array;
  blockHolderAt: Uint8Array;
  /** Results of the front, ours left out, with the phrase in the title; −1 where it was never captured. */
  exactRivals: Int16Array;
  /** Medians over the front; NaN where nobody gives the figure. */
  frontMedians: Record<FrontFigure, Float64Array>;
}

/** Reads the newest captures: fills what of `columns` rests on them, and says the rest. */
export async function captureFacts(
  store: ColumnStore,
  { project, market, sides, now, date, keywords, models }: ComparisonParts,
  rows: Int32Array,
  columns: ComparisonColumns,
): Promise<CaptureFacts> {
  const facts = emptyFacts(rows.length, market.surface === 'marketplace');
  const listed = new Map<FrontFigure, (Float64Array | null)[]>();
  if (market.surface === 'marketplace')
    for (const name of FRONT_FIGURES) {
      const held: (Float64Array | null)[] = [];
      for (const { segment } of now.captures) held.push(await store.columnIfAny(segment.id, name));
      listed.set(name, held);
    }
  const reader = await CaptureReader.over(store, now, sides.masks);
  const material = new OwnMaterial(sides, market.language, date);
  const model = models.weights;
  // Where nobody has looked nothing is suggested that would need it.
  const asked: number[] = [];
  for (let i = 0; i < rows.length; i++)
    if (columns.ownOrganic[i] !== UNKNOWN && needsMaterial(columns.ownOrganic[i]!)) asked.push(i);
  const keys = await keywordKeys(
    store.database,
    market.id,
    asked.map((i) => keywords[i]!),
  );
  const keyOf = new Map(asked.map((i, n) => [i, keys[n]!]));
  const giveWay = givingWay();
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i]!;
    if (i % 256 === 0) await giveWay();
    const asking = keyOf.get(i);
    const covering = asking === undefined ? null : material.covering(asking);
    if (covering) columns.covered[i] = 1;
    const page = reader.page(keywords[i]!);
    if (page === null) continue;
    const { figures, row: at } = page;
    columns.featureFactor[i] = reader.featureFactor(page);
    const front = reader.results(page, project.settings.front);
    facts.difficulty[i] = difficulty(front) ?? -1;
    facts.exactRivals[i] = exactRivals(front);
    for (const [name, held] of listed) {
      const column = held[page.number];
      const values = front.map(({ slot }) => column?.[slot] ?? NaN).filter((value) => !Number.isNaN(value));
      facts.frontMedians[name][i] = median(values) ?? NaN;
    }
    noteOpenBlock(facts, i, page, sides.masks);
    const ownSlot = now.ownSlot[row]!;
    if (ownSlot >= 0) columns.phraseInTitle[i] = figures.phrase[ownSlot]!;
    const standing =
      ownSlot >= 0
        ? slotStanding(figures, ownSlot, figures.words[at]!)
        : (covering?.standing ?? material.newPage());
    const medians = figures.medians.map((values) => values[at]!);
    const after = afterAction(standing);
    columns.chance[i] = chance(after, medians, model);
    if (models.fitted !== null)
      facts.chanceError[i] = logitError(chanceFeatures(after, medians), models.fitted.covariance);
  }
  return facts;
}

/** Figures that no listing gives share one column. */
function emptyFacts(size: number, listings: boolean): CaptureFacts {
  const unknown = (): Float64Array => new Float64Array(size).fill(NaN);
  const nothing = listings ? null : unknown();
  return {
    difficulty: new Int16Array(size).fill(-1),
    chanceError: unknown(),
    openBlocks: new Uint8Array(size),
    blockHolder: new Int32Array(size),
    blockHolderAt: new Uint8Array(size),
    exactRivals: new Int16Array(size).fill(-1),
    frontMedians: {
      price: nothing ?? unknown(),
      rating: nothing ?? unknown(),
      reviews: nothing ?? unknown(),
    },
  };
}

/** Notes the first block of a captured page of which no slot is ours, and who holds it. */
function noteOpenBlock(
  facts: CaptureFacts,
  i: number,
  { columns: { place, organic }, figures: { feature }, from, to }: CapturedPage,
  masks: Uint32Array,
): void {
  let [seen, ours] = [0, 0];
  for (let slot = from; slot < to; slot++) {
    const code = feature[slot]!;
    if (code === 0 || FEATURE_CODES[code] === 'related searches') continue;
    seen |= 1 << code;
    if (((masks[place[slot]!] ?? 0) & 1) !== 0) ours |= 1 << code;
  }
  const open = seen & ~ours;
  if (open === 0) return;
  for (let slot = from; slot < to; slot++) {
    if ((open & (1 << feature[slot]!)) === 0) continue;
    const holder = place[slot]!;
    facts.openBlocks[i] = feature[slot]!;
    facts.blockHolder[i] = holder;
    if (holder === 0) return;
    for (let other = from; other < to; other++)
      if (place[other] === holder && organic[other]! > 0) {
        facts.blockHolderAt[i] = organic[other]!;
        return;
      }
    return;
  }
}

/** Only where no own target ranks within 50 is it asked whether one could. */
function needsMaterial(own: number): boolean {
  return !isRanked(own) || own > 50;
}
