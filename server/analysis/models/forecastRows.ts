import { dayOf } from '@opsimath/core/day';
import { type FieldStanding, chanceFeatures } from '@opsimath/core/gap/chance';
import { prepareKeyword, prepareText, textStanding } from '@opsimath/core/gap/textStanding';
import type { ForecastRows } from '@opsimath/core/forecast/fitForecast';
import { CHANGE_COUNT } from '@opsimath/core/forecast/forecast';
import { ABSENT } from '@opsimath/core/ranking/position';
import { keywordKeys } from '../../data/keywordKeys';
import { keywordIdRange } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import { placeVersions, placesById } from '../../data/places';
import { findSegments } from '../../data/segments/segments';
import { type CaptureColumns, CaptureReader, captureColumnsOf } from '../facts/captures';
import { slotStanding } from '../facts/slotFigures';
import type { ColumnStore } from '../kept/columnStore';
import { givingWay } from '../kept/giveWay';
import type { Workspace } from '../kept/workspace';

/** Pairs of captures that are learnt from, up to a hundred results each. */
const MOST_PAIRS = 2500;
const DEPTH = 100;

/** Two captures of one keyword, by number of their segment and row there. */
interface Pair {
  keyword: number;
  before: { number: number; row: number };
  after: { number: number; row: number };
  days: number;
  /** Of the later one. */
  day: number;
}

/**
 * What a forecast is learnt from (method §6a): pairs of captures half to twice the horizon apart, the nearest to it, newest
 * first, every result of the first with where it stood later.
 */
export async function forecastRows(
  workspace: Workspace,
  market: MarketRow,
  date: string,
  horizon: number,
): Promise<ForecastRows> {
  const { database, store } = workspace;
  const range = await keywordIdRange(database, market.id);
  const segments = (
    await findSegments(database, { marketId: market.id, kind: 'captures', until: date })
  ).sort((a, b) => a.date.localeCompare(b.date) || a.id - b.id);
  const captures: CaptureColumns[] = [];
  const giveWay = givingWay();
  for (const segment of segments) {
    captures.push(await captureColumnsOf(store, segment));
    await giveWay();
  }
  const pairs = range === null ? [] : pairsOf(captures, horizon);
  const size = range === null ? 0 : Math.max(0, range.most - range.least + 1);
  const reader = await CaptureReader.over(store, {
    base: range?.least ?? 0,
    capture: new Uint16Array(size),
    captureRow: new Int32Array(size),
    captures,
  });
  return gathered(workspace, market, reader, pairs);
}

/** Of each later capture the earlier one nearest to the horizon, newest first; of a keyword each capture once as the later. */
function pairsOf(captures: readonly CaptureColumns[], horizon: number): Pair[] {
  const of = new Map<number, { number: number; row: number; day: number }[]>();
  captures.forEach(({ keyword, segment }, number) => {
    const day = dayOf(segment.date);
    keyword.forEach((id, row) => {
      const list = of.get(id);
      const entry = { number, row, day };
      if (!list) of.set(id, [entry]);
      // Of one day the capture written last counts.
      else if (list[list.length - 1]!.day === day) list[list.length - 1] = entry;
      else list.push(entry);
    });
  });
  const pairs: Pair[] = [];
  for (const [keyword, list] of of)
    for (let later = list.length - 1; later > 0; later--) {
      const after = list[later]!;
      let nearest = -1;
      for (let earlier = 0; earlier < later; earlier++) {
        const days = after.day - list[earlier]!.day;
        if (days < horizon / 2 || days > horizon * 2) continue;
        if (nearest < 0 || Math.abs(days - horizon) <= Math.abs(after.day - list[nearest]!.day - horizon))
          nearest = earlier;
      }
      if (nearest >= 0)
        pairs.push({
          keyword,
          before: list[nearest]!,
          after,
          days: after.day - list[nearest]!.day,
          day: after.day,
        });
    }
  return pairs.sort((a, b) => b.day - a.day || a.keyword - b.keyword);
}

/** The newest pairs; of a day with more than can be taken every n-th, so that no part of the alphabet goes first. */
function newestOf(pairs: readonly Pair[]): Pair[] {
  const taken: Pair[] = [];
  for (let from = 0; from < pairs.length && taken.length < MOST_PAIRS;) {
    let to = from;
    while (to < pairs.length && pairs[to]!.day === pairs[from]!.day) to++;
    const step = Math.max(1, Math.ceil((to - from) / (MOST_PAIRS - taken.length)));
    for (let n = from; n < to; n += step) taken.push(pairs[n]!);
    from = to;
  }
  return taken;
}

/** A result that was gone later: what became of its fields is told by where else its place was met. */
interface Gone {
  /** Its row of the pairs. */
  row: number;
  keyword: number;
  was: FieldStanding;
  version: number;
}

async function gathered(
  workspace: Workspace,
  market: MarketRow,
  reader: CaptureReader,
  pairs: readonly Pair[],
): Promise<ForecastRows> {
  const before: number[] = [];
  const after: number[] = [];
  const features: number[] = [];
  const changes: number[] = [];
  const held: number[] = [];
  const siteAfter: number[] = [];
  const keyword: number[] = [];
  const gone: Gone[] = [];
  const numbers = new Map<number, number>();
  const newest = newestOf(pairs);
  const siteOf = await sitesOf(workspace, reader, newest);
  const met = new Met(workspace.store, reader);
  const giveWay = givingWay();
  let used = 0;
  for (const pair of newest) {
    await giveWay();
    const then = reader.pageAt(pair.before.number, pair.before.row);
    const later = reader.pageAt(pair.after.number, pair.after.row);
    const elsewhere = await met.at(pair.after.number);
    const medians = then.figures.medians.map((values) => values[then.row]!);
    const words = then.figures.words[then.row]!;
    const laterResults = reader.results(later, DEPTH);
    const found = new Map(laterResults.map((result) => [result.place, result]));
    // Whoever stands somewhere is the best of its site, and so it is later, whichever page that is then.
    const bestLater = new Map<string | number, number>();
    for (const { place, position } of laterResults)
      if (!bestLater.has(siteOf(place))) bestLater.set(siteOf(place), position);
    const results = reader.results(then, DEPTH);
    const heldBy = new Map<string | number, number>();
    for (const { place } of results) heldBy.set(siteOf(place), (heldBy.get(siteOf(place)) ?? 0) + 1);
    const sites = new Set<string | number>();
    if (!numbers.has(pair.keyword)) numbers.set(pair.keyword, numbers.size);
    used++;
    for (const { slot, position, place } of results) {
      if (place === 0) continue;
      held.push(sites.has(siteOf(place)) ? 0 : Math.min(255, heldBy.get(siteOf(place))!));
      sites.add(siteOf(place));
      siteAfter.push(bestLater.get(siteOf(place)) ?? ABSENT);
      const was = slotStanding(then.figures, slot, words);
      const there = found.get(place);
      const seen = there?.slot ?? elsewhere.slots.get(place);
      const is = there === undefined ? was : slotStanding(later.figures, there.slot, words);
      if (there === undefined && seen !== undefined) {
        const version = elsewhere.version[seen]!;
        if (version !== (await met.at(pair.before.number)).version[slot]!)
          gone.push({ row: before.length, keyword: pair.keyword, was, version });
      }
      const updated = seen === undefined ? -1 : later.figures.updated[seen]!;
      before.push(position);
      after.push(there?.position ?? ABSENT);
      features.push(...chanceFeatures(was, medians));
      changes.push(
        is.phraseInTitle - was.phraseInTitle,
        is.wordsInTitle - was.wordsInTitle,
        is.wordsInFields - was.wordsInFields,
        updated >= 0 && updated < pair.days ? 1 : 0,
        updated >= 0 && updated < pair.days ? (1 - updated / pair.days) ** 2 : 0,
      );
      keyword.push(numbers.get(pair.keyword)!);
    }
  }
  await noteGone(workspace, market, gone, changes);
  return {
    pairs: {
      before: Uint8Array.from(before),
      after: Uint8Array.from(after),
      held: Uint8Array.from(held),
      siteAfter: Uint8Array.from(siteAfter),
      features: Float64Array.from(features),
      changes: Float64Array.from(changes),
      keyword: Int32Array.from(keyword),
    },
    captures: used,
  };
}

/** Whose page a place is: the site, channel or shop above it, else itself. */
async function sitesOf(
  { database }: Workspace,
  reader: CaptureReader,
  pairs: readonly Pair[],
): Promise<(place: number) => string | number> {
  const places = new Set<number>();
  for (const { before, after } of pairs)
    for (const { number, row } of [before, after])
      for (const { place } of reader.results(reader.pageAt(number, row), DEPTH)) places.add(place);
  const rows = await placesById(database, places);
  return (place) => rows.get(place)?.parent ?? place;
}

/** The words of places that fell out, as they were met elsewhere later. */
async function noteGone(
  { database }: Workspace,
  market: MarketRow,
  gone: readonly Gone[],
  changes: number[],
): Promise<void> {
  if (gone.length === 0) return;
  const texts = await placeVersions(
    database,
    gone.map(({ version }) => version),
  );
  const keys = await keywordKeys(
    database,
    market.id,
    gone.map(({ keyword }) => keyword),
  );
  gone.forEach(({ row, was, version }, n) => {
    const text = texts.get(version);
    if (!text) return;
    const is = textStanding(
      prepareKeyword(keys[n]!, market.language),
      prepareText(text.title, [text.description], market.language),
    );
    changes[row * CHANGE_COUNT] = is.phraseInTitle - was.phraseInTitle;
    changes[row * CHANGE_COUNT + 1] = is.wordsInTitle - was.wordsInTitle;
    changes[row * CHANGE_COUNT + 2] = is.wordsInFields - was.wordsInFields;
  });
}

/** Where each place was met anywhere in a segment of captures, and the version of its words in every slot. */
class Met {
  private readonly kept = new Map<number, { slots: Map<number, number>; version: Int32Array }>();

  constructor(
    private readonly store: ColumnStore,
    private readonly reader: CaptureReader,
  ) {}

  async at(number: number): Promise<{ slots: ReadonlyMap<number, number>; version: Int32Array }> {
    let known = this.kept.get(number);
    if (!known) {
      const { place, segment } = this.reader.newest.captures[number]!;
      const slots = new Map<number, number>();
      for (let slot = 0; slot < place.length; slot++) if (place[slot] !== 0) slots.set(place[slot]!, slot);
      known = { slots, version: await this.store.column<Int32Array>(segment.id, 'version') };
      this.kept.set(number, known);
    }
    return known;
  }
}
