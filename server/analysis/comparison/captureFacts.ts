import { sells } from '@opsimath/core/text/surfaces';
import type { CaptureMedians } from '@opsimath/core/gap/chance';
import type { ComparisonColumns } from '@opsimath/core/gap/compare';
import { difficulty } from '@opsimath/core/ranking/difficulty';
import { exactRivals } from '@opsimath/core/ranking/front';
import { ABSENT, UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import { median } from '@opsimath/core/ranking/statistics';
import { keywordKeys } from '../../data/keywordKeys';
import { FEATURE_CODES } from '../../data/segments/captureColumns';
import { givingWay } from '../kept/giveWay';
import type { ColumnStore } from '../kept/columnStore';
import type { ComparisonParts } from './comparison';
import { Foreteller, type GainErrors, type Serving, phraseGapOf, servingBy } from './foretell';
import { type PageEffects, type ServedNotes, pageEffects } from './pageEffects';
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
  gainErrors: GainErrors;
  /** Which of our targets serves, and what doing something to it does to its other keywords. */
  served: ServedNotes;
  effects: PageEffects;
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
  parts: ComparisonParts,
  rows: Int32Array,
  columns: ComparisonColumns,
): Promise<CaptureFacts> {
  const { project, market, sides, now, keywords, models } = parts;
  const facts = emptyFacts(rows.length, sells(market.surface));
  const listed = new Map<FrontFigure, (Float64Array | null)[]>();
  if (sells(market.surface))
    for (const name of FRONT_FIGURES) {
      const held: (Float64Array | null)[] = [];
      for (const { segment } of now.captures) held.push(await store.columnIfAny(segment.id, name));
      listed.set(name, held);
    }
  const reader = await CaptureReader.over(store, now, sides.masks);
  const serving = await servingOf(store, parts, rows, columns);
  const foreteller = new Foreteller(models.forecast, models.curve, project.settings.front);
  const planned = serving.material.newPage(models.forecast.horizon);
  const notes = facts.served;
  const giveWay = givingWay();
  for (let i = 0; i < rows.length; i++) {
    if (i % 256 === 0) await giveWay();
    const page = reader.page(keywords[i]!);
    const medians = page === null ? null : page.figures.medians.map((values) => values[page.row]!);
    if (columns.ownOrganic[i] !== UNKNOWN) {
      const served = serving.of(i, page, medians);
      columns.served[i] = served === null ? 0 : 1;
      if (served === null) {
        foreteller.noteUnserved(columns, facts.gainErrors, i, planned, medians);
        notes.entryScore[i] = foreteller.entryScoreOf(planned, medians);
      } else {
        foreteller.noteServed(columns, facts.gainErrors, i, served);
        notes.place[i] = served.place;
        notes.score[i] = foreteller.scoreOf(served);
        notes.phraseGap[i] = phraseGapOf(served);
      }
    }
    if (page === null) continue;
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
  }
  // Of some keywords only, what is done elsewhere is read from the comparison of all.
  if (parts.isWhole)
    facts.effects = await pageEffects(store.database, parts, columns, notes, serving.material);
  return facts;
}

/** What of our own serves each keyword, by entry of the comparison. */
export async function servingOf(
  store: ColumnStore,
  { market, sides, now, date, keywords }: ComparisonParts,
  rows: Int32Array,
  { ownOrganic, ownTargets }: Pick<ComparisonColumns, 'ownOrganic' | 'ownTargets'>,
): Promise<{
  material: OwnMaterial;
  of: (i: number, page: CapturedPage | null, medians: CaptureMedians | null) => Serving | null;
}> {
  const material = new OwnMaterial(sides, market.language, date);
  const asked: number[] = [];
  // Who stands on a captured page shows its fields there; of all others what is known of our pages is asked.
  if (material.isKnown)
    for (let i = 0; i < rows.length; i++)
      if (ownOrganic[i] !== UNKNOWN && now.ownSlot[rows[i]!]! < 0) asked.push(i);
  const keys = await keywordKeys(
    store.database,
    market.id,
    asked.map((i) => keywords[i]!),
  );
  const keyOf = new Map(asked.map((i, n) => [i, keys[n]!]));
  const of = (i: number, page: CapturedPage | null, medians: CaptureMedians | null): Serving | null => {
    const position = ownOrganic[i]!;
    const slot = now.ownSlot[rows[i]!]!;
    const place = now.ownPlace[rows[i]!]!;
    if (page !== null && slot >= 0)
      return servingBy(
        { place, position, held: Math.max(1, ownTargets[i]!) },
        slotStanding(page.figures, slot, page.figures.words[page.row]!),
        medians,
      );
    const asking = keyOf.get(i);
    if (isRanked(position)) {
      const standing = asking === undefined ? null : material.standingOf(place, asking);
      return servingBy({ place, position, held: 1 }, standing, medians);
    }
    const covering = asking === undefined ? null : material.covering(asking);
    return covering === null
      ? null
      : servingBy({ place: covering.place.id, position: ABSENT, held: 1 }, covering.standing, medians);
  };
  return { material, of };
}

/** Figures that no listing gives share one column. */
function emptyFacts(size: number, listings: boolean): CaptureFacts {
  const unknown = (): Float64Array => new Float64Array(size).fill(NaN);
  const nothing = listings ? null : unknown();
  return {
    difficulty: new Int16Array(size).fill(-1),
    gainErrors: { retitled: unknown(), strengthened: unknown(), written: unknown() },
    served: {
      place: new Int32Array(size),
      score: unknown(),
      phraseGap: new Float64Array(size),
      entryScore: unknown(),
    },
    effects: { retitled: new Map(), strengthened: new Map() },
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
