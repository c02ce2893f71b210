import type { GapRow } from '@opsimath/contract/api/gaps';
import { type GapFigure, GAP_FIGURE_NAMES } from '@opsimath/contract/figures/gapFigures';
import { ACTIONS, type Action } from '@opsimath/core/gap/action';
import { GAP_KINDS, isNear } from '@opsimath/core/gap/kind';
import { MOVEMENT_MARKS } from '@opsimath/core/gap/movement';
import { PAID_STATES } from '@opsimath/core/gap/paid';
import { reason } from '@opsimath/core/gap/reason';
import { worthParts } from '@opsimath/core/gap/worthParts';
import { WORTH_SOURCES } from '@opsimath/core/gap/worth';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import type { Database } from '../../data/storage/connection';
import { keywordsById } from '../../data/keywords';
import { placesById } from '../../data/places';
import { trackedAmong } from '../../data/tracked';
import { FEATURE_CODES } from '../../data/segments/captureColumns';
import { type Comparison, entryOf } from './comparison';
import { FORETOLD_OF } from './foretell';
import { type ToldElsewhere, toldElsewhere } from './pageEffects';
import { positionOf } from '../facts/positionOf';
import { warningsOf } from './warnings';
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
  const warnings = await warningsOf(database, comparison, keywords);
  const addresses = new Map(comparison.sides.ownPlaces.map((place) => [place.id, place.address]));
  const holders = await placesById(database, new Set(indices.map((i) => comparison.blockHolder[i]!)));
  return indices.map((i) => ({
    ...gapRow(comparison, i, keywords.get(comparison.keywords[i]!)!.text, addresses, tracked),
    block: blockOf(comparison, i, holders),
    warnings: warnings.get(comparison.keywords[i]!) ?? [],
    variants: null,
    under: null,
  }));
}

function gapRow(
  comparison: Comparison,
  i: number,
  text: string,
  addresses: ReadonlyMap<number, string>,
  tracked: ReadonlySet<number>,
): Omit<GapRow, 'block' | 'warnings' | 'variants' | 'under'> {
  const { columns, gaps, now, before, metrics } = comparison;
  const row = comparison.rows[i]!;
  const own = columns.ownOrganic[i]!;
  const kind = gaps.kind[i]!;
  const action = ACTIONS[gaps.action[i]!]!;
  const rivals = columns.rivalOrganic.map((rival) => rival[i]!);
  const capture = now.capture[row]!;
  const figure = (name: GapFigure): number | null => gapFigure(comparison, name, i);
  const why = reasonFacts(comparison, i, action, {
    value: known(gaps.worthAMonth[i]!),
    elsewhere: elsewhereOf(comparison, i, action),
  });
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
    asIs: figure('as it is'),
    chanceAssumed: capture === 0 && !Number.isNaN(gaps.chance[i]!),
    worth: columns.worth[i]!,
    worthSource: WORTH_SOURCES[comparison.worthSource[i]!]!,
    aim: gaps.aim[i] === 0 ? null : gaps.aim[i]!,
    gain: figure('gain'),
    elsewhere: why.elsewhere,
    elsewhereValue: gaps.elsewhereValue[i]! || 0,
    worthAMonth: figure('a month'),
    effort: comparison.effort[i]!,
    priority: figure('priority'),
    action,
    chosen: columns.chosen[i] === ACTIONS.indexOf(action) + 1,
    reason: reason(why),
    why,
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

/** What tells why an action stands where it does. @param brings what it adds a month, and on other keywords */
export function reasonFacts(
  comparison: Comparison,
  i: number,
  action: Action,
  brings: { value: number | null; elsewhere: ToldElsewhere | null },
): GapRow['why'] {
  const { columns, project } = comparison;
  const { front, efforts, currency } = project.settings;
  const foretold = FORETOLD_OF[action];
  const held = columns.rivalOrganic.map((rival) => rival[i]!);
  return {
    action,
    own: columns.ownOrganic[i]!,
    ownPaid: columns.ownPaid[i]!,
    rivalsInFront: held.filter((position) => isRanked(position) && position <= front).sort((a, b) => a - b),
    front,
    frontPhrase: frontPhraseOf(comparison, i),
    ownTargets: columns.ownTargets[i]!,
    searches: known(columns.expectedVolume[i]!),
    asIs: known(columns.asIs.chance[i]!),
    chance: known(foretold === undefined ? columns.asIs.chance[i]! : columns[foretold].chance[i]!),
    currency,
    effort: efforts[action],
    ...brings,
  };
}

/** What an action for a keyword does to other keywords of its page; `null` where it touches none that counts. */
export function elsewhereOf(comparison: Comparison, i: number, action: Action): ToldElsewhere | null {
  const name = FORETOLD_OF[action];
  const { whole, keywords } = comparison;
  const entry = whole === null ? i : entryOf(whole, keywords[i]!);
  const effect =
    name === undefined || name === 'written' ? undefined : (whole ?? comparison).effects[name].get(entry);
  return effect === undefined || effect.clicks.length === 0 ? null : toldElsewhere(effect.clicks);
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

/** How many results of the captured front have the phrase in the title; ours are left out. */
function frontPhraseOf(
  { exactRivals, project }: Comparison,
  i: number,
): { results: number; held: number } | null {
  return exactRivals[i]! < 0 ? null : { results: project.settings.front, held: exactRivals[i]! };
}

/** What spreads the value of the best action; `null` where there is none, or it is unknown. */
export function partsOf(comparison: Comparison, i: number): GapRow['parts'] {
  const { columns, gaps } = comparison;
  if (Number.isNaN(gaps.priority[i]!)) return null;
  const action = ACTIONS[gaps.action[i]!]!;
  const foretold = FORETOLD_OF[action];
  const searched = columns.expectedVolume[i]! * columns.featureFactor[i]!;
  return worthParts({
    volumeRange: volumeRangeOf(comparison.metrics, comparison.rows[i]!),
    // What comes elsewhere goes in as what it saves: it moves with the same demand.
    clicks: gaps.gain[i]!,
    value: gaps.worthAMonth[i]!,
    // What ads bring rests on no forecast.
    clicksError: foretold === undefined ? 0 : searched * comparison.gainErrors[foretold][i]!,
    worth: columns.worth[i]!,
    worthSigma: comparison.worthSigma[i]!,
    fit: columns.fit[i]!,
    effort: comparison.effort[i]!,
  });
}

function known(value: number): number | null {
  return Number.isNaN(value) ? null : value;
}
