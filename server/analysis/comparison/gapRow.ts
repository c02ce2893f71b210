import type { GapRow } from '@opsimath/contract/api/gaps';
import { type GapFigure, GAP_FIGURE_NAMES } from '@opsimath/contract/figures/gapFigures';
import { ACTIONS } from '@opsimath/core/gap/action';
import { GAP_KINDS, isNear } from '@opsimath/core/gap/kind';
import { MOVEMENT_MARKS } from '@opsimath/core/gap/movement';
import { PAID_STATES } from '@opsimath/core/gap/paid';
import { reason } from '@opsimath/core/gap/reason';
import { rangeSigma } from '@opsimath/core/demand/volumeRange';
import { VOLUME_SIGMA } from '@opsimath/core/gap/spreadOfWorth';
import { WORTH_SOURCES } from '@opsimath/core/gap/worth';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import type { Database } from '../../data/storage/connection';
import { keywordsById } from '../../data/keywords';
import { placesById } from '../../data/places';
import { trackedAmong } from '../../data/tracked';
import { FEATURE_CODES } from '../../data/segments/captureColumns';
import type { Comparison } from './comparison';
import { positionOf } from '../facts/positionOf';
import { marksOfRow } from './gapFilter';
import { gapFigure } from './gapFigures';
import { volumeDay, volumeRangeOf } from '../facts/metrics';

/** Rows of a comparison with their texts, in the order asked for. */
export async function gapRows(
  database: Database,
  comparison: Comparison,
  indices: readonly number[],
): Promise<GapRow[]> {
  const ids = indices.map((i) => comparison.keywords[i]!);
  const keywords = await keywordsById(database, ids);
  const tracked = await trackedAmong(database, comparison.project.id, ids);
  const addresses = new Map(comparison.sides.ownPlaces.map((place) => [place.id, place.address]));
  const holders = await placesById(database, new Set(indices.map((i) => comparison.blockHolder[i]!)));
  return indices.map((i) => ({
    ...gapRow(comparison, i, keywords.get(comparison.keywords[i]!)!.text, addresses, tracked),
    block: blockOf(comparison, i, holders),
  }));
}

function gapRow(
  comparison: Comparison,
  i: number,
  text: string,
  addresses: ReadonlyMap<number, string>,
  tracked: ReadonlySet<number>,
): Omit<GapRow, 'block'> {
  const { columns, gaps, now, before, metrics, project } = comparison;
  const row = comparison.rows[i]!;
  const own = columns.ownOrganic[i]!;
  const kind = gaps.kind[i]!;
  const action = ACTIONS[gaps.action[i]!]!;
  const rivals = columns.rivalOrganic.map((rival) => rival[i]!);
  const front = project.settings.front;
  const capture = now.capture[row]!;
  const figure = (name: GapFigure): number | null => gapFigure(comparison, name, i);
  return {
    id: comparison.keywords[i]!,
    text,
    kind: GAP_KINDS[kind]!,
    near: isNear(kind, own),
    marks: marksOfRow(comparison, i),
    figures: Object.fromEntries(GAP_FIGURE_NAMES.map((name) => [name, figure(name)])) as GapRow['figures'],
    own: positionOf(own),
    ownBefore: positionOf(columns.ownBefore[i]!),
    ownAddress: isRanked(own) ? (addresses.get(now.ownPlace[row]!) ?? null) : null,
    ownPresumed: (comparison.presumed[row]! & 1) !== 0,
    rivalsPresumed: now.rivals.map((_, rival) => (comparison.presumed[row]! & (2 << rival)) !== 0),
    ownPaid: positionOf(columns.ownPaid[i]!),
    ownPaidBefore: positionOf(before?.own.paid[row] ?? UNKNOWN),
    rivals: rivals.map(positionOf),
    rivalsBefore: now.rivals.map((_, rival) => positionOf(before?.rivals[rival]!.organic[row] ?? UNKNOWN)),
    rivalsPaid: columns.rivalPaid.map((rival) => positionOf(rival[i]!)),
    spread: figure('spread'),
    moved: figure('move'),
    movement: MOVEMENT_MARKS[gaps.movement[i]!]!,
    paid: PAID_STATES[gaps.paid[i]!]!,
    doubling: gaps.doubling[i] === 1,
    volume: figure('volume'),
    volumeRange: volumeRangeOf(metrics, row),
    volumeDay: volumeDay(metrics, row),
    volumeBorrowed: Number.isNaN(metrics.volume[row]!) && !Number.isNaN(comparison.volume[i]!),
    byHand: comparison.byHand.has(comparison.keywords[i]!),
    demand: figure('demand'),
    chance: figure('chance'),
    chanceAssumed: Number.isNaN(columns.chance[i]!) && !Number.isNaN(gaps.worthAMonth[i]!),
    worth: columns.worth[i]!,
    worthSource: WORTH_SOURCES[comparison.worthSource[i]!]!,
    aim: gaps.aim[i] === 0 ? null : gaps.aim[i]!,
    gain: figure('gain'),
    worthAMonth: figure('a month'),
    effort: comparison.effort[i]!,
    priority: figure('priority'),
    action,
    reason: reason({
      action,
      own,
      ownPaid: columns.ownPaid[i]!,
      rivalsInFront: rivals
        .filter((position) => isRanked(position) && position <= front)
        .sort((a, b) => a - b),
      front,
      phraseInTitle: columns.phraseInTitle[i] === 1,
      covered: columns.covered[i] === 1,
      ownTargets: columns.ownTargets[i]!,
      chance: known(columns.chance[i]!),
    }),
    cpcLow: known(metrics.cpcLow[row]!),
    cpcHigh: known(metrics.cpcHigh[row]!),
    adCompetition: figure('ad competition'),
    difficulty: figure('difficulty'),
    captureDate: capture === 0 ? null : now.captures[capture - 1]!.segment.date,
    tracked: tracked.has(comparison.keywords[i]!),
    verdict: VERDICTS[comparison.verdicts[i]!]!,
    atStake: figure('at stake'),
    ownClicks: figure('our clicks'),
    rivalClicks: figure('rival clicks'),
    results: figure('results'),
    exactRivals: figure('exact rivals'),
    frontPrice: figure('front price'),
    frontRating: figure('front rating'),
    frontReviews: figure('front reviews'),
    parts: partsOf(comparison, i),
  };
}

function blockOf(
  { openBlocks, blockHolder, blockHolderAt }: Comparison,
  i: number,
  holders: ReadonlyMap<number, { owner: string }>,
): GapRow['block'] {
  if (openBlocks[i] === 0) return null;
  return {
    kind: FEATURE_CODES[openBlocks[i]!]!,
    holder: holders.get(blockHolder[i]!)?.owner ?? null,
    position: blockHolderAt[i] === 0 ? null : blockHolderAt[i]!,
  };
}

/** What spreads the expected worth (method §8). A chance that is the market's mean is as unsure as chances there differ. */
function partsOf(comparison: Comparison, i: number): GapRow['parts'] {
  const { columns, gaps, curve } = comparison;
  if (Number.isNaN(gaps.worthAMonth[i]!)) return null;
  const held = columns.chance[i]!;
  const assumed = Number.isNaN(held);
  const chance = assumed ? comparison.meanChance : held;
  return {
    demand: columns.expectedVolume[i]!,
    demandSigma: demandSigma(comparison, i),
    clickShare:
      columns.featureFactor[i]! * Math.max(0, curve[gaps.aim[i]!]! - curve[columns.ownOrganic[i]!]!),
    logit: Math.log(chance / (1 - chance)),
    logitError: assumed ? chanceSpread(comparison) : (known(comparison.chanceError[i]!) ?? 0),
    worth: columns.worth[i]!,
    worthSigma: comparison.worthSigma[i]!,
    fit: columns.fit[i]!,
    effort: comparison.effort[i]!,
  };
}

/** A range says itself how unsure it is; one figure is as unsure as such figures are. */
function demandSigma({ metrics, rows }: Comparison, i: number): number {
  const range = volumeRangeOf(metrics, rows[i]!);
  return range === null ? VOLUME_SIGMA : rangeSigma(range);
}

const spreads = new WeakMap<Float64Array, number>();

/** Standard deviation of the known chances of a comparison on the logit. */
function chanceSpread({ columns: { chance } }: Comparison): number {
  let spread = spreads.get(chance);
  if (spread !== undefined) return spread;
  let [count, sum, squares] = [0, 0, 0];
  for (const value of chance) {
    if (!(value > 0 && value < 1)) continue;
    const logit = Math.log(value / (1 - value));
    count++;
    sum += logit;
    squares += logit * logit;
  }
  spread = count < 2 ? 0 : Math.sqrt(Math.max(0, squares / count - (sum / count) ** 2));
  spreads.set(chance, spread);
  return spread;
}

function known(value: number): number | null {
  return Number.isNaN(value) ? null : value;
}
