import type { Project } from '@opsimath/contract/api/projects';
import { ACTIONS } from '@opsimath/core/gap/action';
import { afterAction, chance } from '@opsimath/core/gap/chance';
import { type ComparisonColumns, type GapColumns, compare } from '@opsimath/core/gap/compare';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { FIT } from '@opsimath/core/gap/priority';
import { WORTH_SOURCES, middleCpc, worthOfClick } from '@opsimath/core/gap/worth';
import { expectedVolume } from '@opsimath/core/demand/season';
import { type ClickCurve, featureFactor } from '@opsimath/core/ranking/clickThrough';
import { difficulty, type FrontSlot } from '@opsimath/core/ranking/difficulty';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import { keywordsById } from '../data/keywords';
import type { MarketRow } from '../data/markets';
import { ABOVE } from '../data/segments/captureColumns';
import type { ColumnStore } from './columnStore';
import { type Metrics, seasonOf } from './metrics';
import type { Models } from './models';
import { OwnMaterial } from './ownMaterial';
import type { Sides } from './sides';
import { type SlotFigures, authorityOf, slotFigures, slotStanding } from './slotFigures';
import type { Standings } from './standings';

/** A finished comparison: one entry a keyword in every column, in the order of `keywords`. */
export interface Comparison {
  project: Project;
  market: MarketRow;
  date: string;
  compareDate: string | null;
  sides: Sides;
  now: Standings;
  before: Standings | null;
  metrics: Metrics;
  models: Models;
  curve: ClickCurve;
  /** Keyword ids, ascending, and the same as indices into the standings. */
  keywords: Int32Array;
  rows: Int32Array;
  columns: ComparisonColumns;
  gaps: GapColumns;
  volume: Float64Array;
  difficulty: Int16Array;
  /** Index into WORTH_SOURCES. */
  worthSource: Uint8Array;
  effort: Float64Array;
  meanChance: number;
}

export interface ComparisonParts {
  project: Project;
  market: MarketRow;
  date: string;
  compareDate: string | null;
  sides: Sides;
  now: Standings;
  before: Standings | null;
  metrics: Metrics;
  keywords: Int32Array;
  models: Models;
}

/** Gathers the columns of method §5–§8 from what was read, and compares. */
export async function buildComparison(store: ColumnStore, parts: ComparisonParts): Promise<Comparison> {
  const { project, now, before, metrics, keywords, date } = parts;
  const rows = keywords.map((id) => id - now.base);
  const size = rows.length;
  const pick = (column: Uint8Array): Uint8Array => Uint8Array.from(rows, (row) => column[row]!);
  const month = new Date(`${date}T00:00:00Z`).getUTCMonth();
  const worths = Array.from(rows, (row) =>
    worthOfClick(
      middleCpc(known(metrics.cpcLow[row]!), known(metrics.cpcHigh[row]!)),
      project.settings.defaultWorth,
    ),
  );
  const columns: ComparisonColumns = {
    ownOrganic: pick(now.own.organic),
    ownPaid: pick(now.own.paid),
    ownBefore: before ? pick(before.own.organic) : new Uint8Array(size).fill(UNKNOWN),
    rivalOrganic: now.rivals.map((rival) => pick(rival.organic)),
    rivalPaid: now.rivals.map((rival) => pick(rival.paid)),
    paidLooked: pick(now.paidLooked),
    expectedVolume: Float64Array.from(rows, (row) =>
      expectedVolume(metrics.volume[row]!, seasonOf(metrics, row), month),
    ),
    featureFactor: new Float64Array(size).fill(1),
    chance: new Float64Array(size).fill(NaN),
    worth: Float64Array.from(worths, (worth) => worth.value),
    clickCost: Float64Array.from(rows, (row) => (metrics.cpcLow[row]! + metrics.cpcHigh[row]!) / 2),
    fit: new Float64Array(size).fill(FIT.unjudged),
    phraseInTitle: new Uint8Array(size),
    covered: new Uint8Array(size),
    ownTargets: pick(now.ownTargets),
  };
  const difficulties = new Int16Array(size).fill(-1);
  await fillFromCaptures(store, parts, rows, columns, difficulties);
  return compared({
    ...parts,
    curve: parts.models.curve,
    rows,
    columns,
    volume: Float64Array.from(rows, (row) => metrics.volume[row]!),
    difficulty: difficulties,
    worthSource: Uint8Array.from(worths, (worth) => WORTH_SOURCES.indexOf(worth.source)),
    meanChance: mean(columns.chance),
  });
}

/** Gaps, priorities and actions of what was gathered. */
function compared(gathered: Omit<Comparison, 'gaps' | 'effort'>): Comparison {
  const { front, efforts } = gathered.project.settings;
  const { columns, curve, meanChance } = gathered;
  const gaps = compare(columns, { front, curve, efforts, meanChance });
  return { ...gathered, gaps, effort: Float64Array.from(gaps.action, (action) => efforts[ACTIONS[action]!]) };
}

/** The same comparison with what keywords have been judged to be; nothing is read again for it. */
export function withVerdicts(
  comparison: Comparison,
  { ids, codes }: { ids: Int32Array; codes: Uint8Array },
): Comparison {
  if (ids.length === 0) return comparison;
  const fitOf = new Map<number, number>();
  ids.forEach((id, n) => fitOf.set(id, FIT[VERDICTS[codes[n]!]!]));
  const fit = Float64Array.from(comparison.keywords, (id) => fitOf.get(id) ?? FIT.unjudged);
  return compared({ ...comparison, columns: { ...comparison.columns, fit } });
}

/** What only captures tell: the feature factor, difficulty, our words in the title, and the chance. */
async function fillFromCaptures(
  store: ColumnStore,
  { project, market, sides, now, date, keywords, models }: ComparisonParts,
  rows: Int32Array,
  columns: ComparisonColumns,
  difficulties: Int16Array,
): Promise<void> {
  const figures: SlotFigures[] = [];
  for (const { segment } of now.captures) figures.push(await slotFigures(store, segment.id));
  const material = new OwnMaterial(sides, market.language, date);
  const model = models.weights;
  const outside = keywords.filter((_, i) => needsMaterial(columns.ownOrganic[i]!));
  const texts = await keywordsById(store.database, outside);
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i]!;
    const id = keywords[i]!;
    const covering = needsMaterial(columns.ownOrganic[i]!) ? material.covering(texts.get(id)!.key) : null;
    if (covering) columns.covered[i] = 1;
    const number = now.capture[row]!;
    if (number === 0) continue;
    const capture = now.captures[number - 1]!;
    const figure = figures[number - 1]!;
    const at = now.captureRow[row]!;
    columns.featureFactor[i] = featureFactor({
      answerBox: (figure.above[at]! & ABOVE.answerBox) !== 0,
      imageBlock: (figure.above[at]! & ABOVE.imageBlock) !== 0,
      videoBlock: (figure.above[at]! & ABOVE.videoBlock) !== 0,
      paidSlots: figure.paidAbove[at]!,
    });
    const front: FrontSlot[] = [];
    for (let slot = capture.slotStart[at]!; slot < capture.slotStart[at]! + capture.slotCount[at]!; slot++) {
      const position = capture.organic[slot]!;
      if (position === 0) continue;
      if (position > project.settings.front) break;
      front.push({ authority: authorityOf(figure, slot), phraseInTitle: figure.phrase[slot] === 1 });
    }
    difficulties[i] = difficulty(front) ?? -1;
    const ownSlot = now.ownSlot[row]!;
    if (ownSlot >= 0) columns.phraseInTitle[i] = figure.phrase[ownSlot]!;
    const standing =
      ownSlot >= 0
        ? slotStanding(figure, ownSlot, figure.words[at]!)
        : (covering?.standing ?? material.newPage());
    columns.chance[i] = chance(
      afterAction(standing),
      figure.medians.map((values) => values[at]!),
      model,
    );
  }
}

/** Only where no own target ranks within 50 is it asked whether one could. */
function needsMaterial(own: number): boolean {
  return !isRanked(own) || own > 50;
}

function known(value: number): number | null {
  return Number.isNaN(value) ? null : value;
}

function mean(values: Float64Array): number {
  let sum = 0;
  let count = 0;
  for (const value of values) {
    if (Number.isNaN(value)) continue;
    sum += value;
    count++;
  }
  return count > 0 ? sum / count : NaN;
}
