import type { Project } from '@opsimath/contract/api/projects';
import { ACTIONS } from '@opsimath/core/gap/action';
import { afterAction, chance } from '@opsimath/core/gap/chance';
import { type ComparisonColumns, type GapColumns, compare } from '@opsimath/core/gap/compare';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { FIT } from '@opsimath/core/gap/priority';
import { type OwnConversions, WORTH_SOURCES, worthOfClick } from '@opsimath/core/gap/worth';
import { chanceFeatures } from '@opsimath/core/gap/chance';
import { logitError } from '@opsimath/core/gap/fitChance';
import { expectedVolume } from '@opsimath/core/demand/season';
import { type ClickCurve, featureFactor } from '@opsimath/core/ranking/clickThrough';
import { difficulty, type FrontSlot } from '@opsimath/core/ranking/difficulty';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import { median } from '@opsimath/core/ranking/statistics';
import { keywordKeys } from '../data/keywordKeys';
import type { MarketRow } from '../data/markets';
import { ABOVE, FEATURE_CODES } from '../data/segments/captureColumns';
import type { AdTerms } from './adTerms';
import type { ColumnStore } from './columnStore';
import { type Metrics, seasonOf } from './metrics';
import type { Models } from './models';
import { OwnMaterial } from './ownMaterial';
import type { Sides } from './sides';
import { type SlotFigures, authorityOf, slotFigures, slotStanding } from './slotFigures';
import type { CaptureColumns, Standings } from './standings';

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
  /** How sure worth and chance are: σ of the worth's logarithm, standard error of the chance on the logit. */
  worthSigma: Float64Array;
  chanceError: Float64Array;
  ads: AdTerms;
  /** 1 where the newest capture has an answer, image or video block of which no slot is ours. */
  openBlocks: Uint8Array;
  /** Index into VERDICTS. */
  verdicts: Uint8Array;
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
  ads: AdTerms;
}

/** Gathers the columns of method §5–§8 from what was read, and compares. */
export async function buildComparison(store: ColumnStore, parts: ComparisonParts): Promise<Comparison> {
  const { now, before, metrics, keywords, date } = parts;
  const rows = keywords.map((id) => id - now.base);
  const size = rows.length;
  const pick = (column: Uint8Array): Uint8Array => Uint8Array.from(rows, (row) => column[row]!);
  const month = new Date(`${date}T00:00:00Z`).getUTCMonth();
  const { worth, worthSource, worthSigma } = worthColumns(parts, rows);
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
    worth,
    clickCost: Float64Array.from(rows, (row, n) => costOfClick(parts, keywords[n]!, row)),
    fit: new Float64Array(size).fill(FIT.unjudged),
    phraseInTitle: new Uint8Array(size),
    covered: new Uint8Array(size),
    ownTargets: pick(now.ownTargets),
  };
  const difficulties = new Int16Array(size).fill(-1);
  const chanceError = new Float64Array(size).fill(NaN);
  const openBlocks = new Uint8Array(size);
  await fillFromCaptures(store, parts, rows, columns, difficulties, { chanceError, openBlocks });
  return compared({
    ...parts,
    curve: parts.models.curve,
    rows,
    columns,
    volume: Float64Array.from(rows, (row) => metrics.volume[row]!),
    difficulty: difficulties,
    worthSource,
    worthSigma,
    chanceError,
    openBlocks,
    verdicts: new Uint8Array(size).fill(VERDICTS.indexOf('unjudged')),
    meanChance: mean(columns.chance),
  });
}

/** Gaps, priorities and actions of what was gathered. */
function compared(gathered: Omit<Comparison, 'gaps' | 'effort'>): Comparison {
  const { front, efforts } = gathered.project.settings;
  const { columns, curve, meanChance } = gathered;
  const { surface } = gathered.market;
  const gaps = compare(columns, { surface, front, curve, efforts, meanChance });
  return { ...gathered, gaps, effort: Float64Array.from(gaps.action, (action) => efforts[ACTIONS[action]!]) };
}

const UNJUDGED = VERDICTS.indexOf('unjudged');

/** The same comparison with what keywords have been judged to be; nothing is read again for it. */
export function withVerdicts(
  comparison: Comparison,
  { ids, codes }: { ids: Int32Array; codes: Uint8Array },
): Comparison {
  if (ids.length === 0) return comparison;
  const codeOf = new Map<number, number>();
  ids.forEach((id, n) => codeOf.set(id, codes[n]!));
  const verdicts = Uint8Array.from(comparison.keywords, (id) => codeOf.get(id) ?? UNJUDGED);
  const fit = Float64Array.from(verdicts, (code) => FIT[VERDICTS[code]!]);
  return compared({ ...comparison, verdicts, columns: { ...comparison.columns, fit } });
}

/** What only captures tell: the feature factor, difficulty, our words in the title, and the chance. */
async function fillFromCaptures(
  store: ColumnStore,
  { project, market, sides, now, date, keywords, models }: ComparisonParts,
  rows: Int32Array,
  columns: ComparisonColumns,
  difficulties: Int16Array,
  { chanceError, openBlocks }: Pick<Comparison, 'chanceError' | 'openBlocks'>,
): Promise<void> {
  const figures: SlotFigures[] = [];
  for (const { segment } of now.captures) figures.push(await slotFigures(store, segment.id));
  const material = new OwnMaterial(sides, market.language, date);
  const model = models.weights;
  // Without a capture nobody is absent and no chance is worked out: it is asked of captured keywords only.
  const asked = Array.from(rows.keys()).filter(
    (i) => now.capture[rows[i]!]! > 0 && needsMaterial(columns.ownOrganic[i]!),
  );
  const keys = await keywordKeys(
    store.database,
    market.id,
    asked.map((i) => keywords[i]!),
  );
  const keyOf = new Map(asked.map((i, n) => [i, keys[n]!]));
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i]!;
    const number = now.capture[row]!;
    if (number === 0) continue;
    const asking = keyOf.get(i);
    const covering = asking === undefined ? null : material.covering(asking);
    if (covering) columns.covered[i] = 1;
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
    if (hasOpenBlock(capture, figure, at, sides.masks)) openBlocks[i] = 1;
    const ownSlot = now.ownSlot[row]!;
    if (ownSlot >= 0) columns.phraseInTitle[i] = figure.phrase[ownSlot]!;
    const standing =
      ownSlot >= 0
        ? slotStanding(figure, ownSlot, figure.words[at]!)
        : (covering?.standing ?? material.newPage());
    const medians = figure.medians.map((values) => values[at]!);
    const after = afterAction(standing);
    columns.chance[i] = chance(after, medians, model);
    if (models.fitted !== null)
      chanceError[i] = logitError(chanceFeatures(after, medians), models.fitted.covariance);
  }
}

/** Worth of a click of every keyword, where it came from, and how sure it is. */
function worthColumns(
  parts: ComparisonParts,
  rows: Int32Array,
): Pick<Comparison, 'worthSource' | 'worthSigma'> & { worth: Float64Array } {
  const { metrics, keywords, ads, project } = parts;
  const market = marketWorth(parts);
  const worth = new Float64Array(rows.length);
  const worthSource = new Uint8Array(rows.length);
  const worthSigma = new Float64Array(rows.length);
  for (let i = 0; i < rows.length; i++) {
    const { value, source, sigma } = worthOfClick({
      own: ownConversions(ads, keywords[i]!),
      market,
      cpcLow: known(metrics.cpcLow[rows[i]!]!),
      cpcHigh: known(metrics.cpcHigh[rows[i]!]!),
      projectDefault: project.settings.defaultWorth,
    });
    worth[i] = value;
    worthSource[i] = WORTH_SOURCES.indexOf(source);
    worthSigma[i] = sigma;
  }
  return { worth, worthSource, worthSigma };
}

/** Own paid clicks of a keyword and what all conversions tell; `null` where there is none. */
function ownConversions({ terms, together }: AdTerms, keyword: number): OwnConversions | null {
  const term = terms.get(keyword);
  if (!term || together === null || term.clicks === 0) return null;
  const { clicks, conversions } = term;
  return { ...together, clicks, conversions: Math.min(conversions, clicks) };
}

/** What our listing's price, the margin and the conversion rate of the settings make of a click in a marketplace. */
function marketWorth({ market, project, sides }: ComparisonParts) {
  const { margin, conversionRate } = project.settings;
  if (market.surface !== 'marketplace' || margin === null || conversionRate === null) return null;
  const price = median(sides.own.flatMap(({ record }) => record?.figures.price ?? []));
  return price === null ? null : { price, margin, conversionRate };
}

/** What a click costs us: by our own ads, else the middle of the CPC range; NaN if unknown. */
function costOfClick({ ads, metrics }: ComparisonParts, keyword: number, row: number): number {
  const term = ads.terms.get(keyword);
  if (term && term.clicks > 0) return term.cost / term.clicks;
  return (metrics.cpcLow[row]! + metrics.cpcHigh[row]!) / 2;
}

/** Whether a captured page has a block of which some kind holds no slot of ours. */
function hasOpenBlock(
  { slotStart, slotCount, place }: CaptureColumns,
  { feature }: SlotFigures,
  at: number,
  masks: Uint32Array,
): boolean {
  let [seen, ours] = [0, 0];
  for (let slot = slotStart[at]!; slot < slotStart[at]! + slotCount[at]!; slot++) {
    const code = feature[slot]!;
    if (code === 0 || FEATURE_CODES[code] === 'related searches') continue;
    seen |= 1 << code;
    if (((masks[place[slot]!] ?? 0) & 1) !== 0) ours |= 1 << code;
  }
  return (seen & ~ours) !== 0;
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
