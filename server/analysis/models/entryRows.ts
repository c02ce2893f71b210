import { ABSENT_BAND, bandOf } from '@opsimath/core/forecast/bands';
import type { EntryRows } from '@opsimath/core/forecast/fitEntry';
import { chanceFeatures } from '@opsimath/core/gap/chance';
import { keywordKeys } from '../../data/keywordKeys';
import { keywordIdRange } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import { findSegments } from '../../data/segments/segments';
import { CaptureReader, newestCaptures } from '../facts/captures';
import type { Sides } from '../facts/sides';
import { slotStanding } from '../facts/slotFigures';
import { givingWay } from '../kept/giveWay';
import type { Workspace } from '../kept/workspace';
import { CoveringPages } from './coveringPages';

const DEPTH = 100;
/** Captures looked at, every n-th of those held, and targets of one keyword. */
const MOST_CAPTURES = 1500;
const MOST_OF_ONE = 25;

/**
 * Own and rival targets that hold every word of a captured keyword, with where they stand there, the absent ones included
 * (method §6a): what a target not written yet is judged by.
 */
export async function entryRows(
  { database, store }: Workspace,
  market: MarketRow,
  date: string,
  sides: Sides,
): Promise<EntryRows> {
  const range = await keywordIdRange(database, market.id);
  if (range === null) return { features: new Float64Array(0), band: new Uint8Array(0) };
  const segments = await findSegments(database, { marketId: market.id, kind: 'captures', until: date });
  const reader = await CaptureReader.over(store, await newestCaptures(store, segments, range));
  const asked = reader.sample(MOST_CAPTURES);
  const keys = await keywordKeys(database, market.id, asked);
  const known = [...sides.ownPlaces, ...sides.rivalPlaces.flat()].filter(({ title }) => title !== '');
  const pages = new CoveringPages(known, market.language, date);
  const features: number[] = [];
  const band: number[] = [];
  const giveWay = givingWay();
  for (const [n, keyword] of asked.entries()) {
    await giveWay();
    const page = reader.page(keyword)!;
    const { figures, row } = page;
    const medians = figures.medians.map((values) => values[row]!);
    const there = new Map(reader.results(page, DEPTH).map((result) => [result.place, result]));
    let taken = 0;
    for (const index of pages.covering(keys[n]!)) {
      if (taken++ >= MOST_OF_ONE) break;
      const found = there.get(known[index]!.id);
      const standing =
        found === undefined
          ? pages.standing(index, keys[n]!)
          : slotStanding(figures, found.slot, figures.words[row]!);
      features.push(...chanceFeatures({ ...standing, engagement: null }, medians));
      band.push(found === undefined ? ABSENT_BAND : bandOf(found.position));
    }
  }
  return { features: Float64Array.from(features), band: Uint8Array.from(band) };
}
