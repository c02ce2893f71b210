import type { ChangeEffect } from '@opsimath/contract/api/watch';
import type { PublishedChange } from '@opsimath/contract/api/drafts';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { versionPeriods } from '@opsimath/core/effect/versionPeriods';
import { rateOf } from '@opsimath/core/rates/wilson';
import { liesUnder } from '@opsimath/core/text/address';
import type { OwnFigure } from '../facts/ownFigures';
import type { AdRow } from '../facts/adTerms';
import type { ChangeSpan } from './changeSeries';

/** Own search performance of a market with the address of every place, and its newest day. */
export interface OwnHeld {
  rows: readonly OwnFigure[];
  newest: number;
  /** Address by place. */
  addresses: ReadonlyMap<number, string>;
}

/**
 * A target with what stood there before a change, and with what stands there since: as many days of each, none of them shared
 * with another change of it (N222).
 */
export function changeVersions(
  { rows, newest, addresses }: OwnHeld,
  { change }: ChangeSpan,
  changes: readonly PublishedChange[],
): ChangeEffect['versions'] {
  // What searchers see changes on the day from which search shows it.
  const day = dayOf(change.seenFrom ?? change.date);
  const others = changes
    .filter(({ id, address }) => id !== change.id && address === change.address)
    .map(({ date, seenFrom }) => dayOf(seenFrom ?? date));
  const ofTarget = rows.filter(({ place }) => {
    const address = addresses.get(place);
    return address !== undefined && liesUnder(address, change.address);
  });
  if (ofTarget.length === 0) return null;
  const oldest = ofTarget.reduce((least, row) => Math.min(least, row.day), Infinity);
  const periods = versionPeriods({ day, others, oldest, newest });
  if (periods === null) return null;
  const told = ({ from, to }: { from: number; to: number }) => {
    const held = ofTarget.filter((row) => row.day >= from && row.day <= to);
    const impressions = held.reduce((sum, row) => sum + row.impressions, 0);
    const clicks = held.reduce((sum, row) => sum + row.clicks, 0);
    return {
      ...{ from: isoDayOf(from), to: isoDayOf(to), impressions, clicks },
      held: new Set(held.map((row) => row.day)).size,
      ctr: rateOf(clicks, impressions),
    };
  };
  return { before: told(periods.before), after: told(periods.after) };
}

/** What ads that lead to a change’s target cost and sold in the windows before and after it (N120). */
export function changeAds(
  rows: readonly AdRow[],
  addresses: ReadonlyMap<number, string>,
  { change, day, windows }: ChangeSpan,
): ChangeEffect['ads'] {
  const led = rows.filter(({ place }) => {
    const address = addresses.get(place);
    return address !== undefined && liesUnder(address, change.address);
  });
  if (led.length === 0) return null;
  const within = (from: number, to: number): { cost: number; sales: number } => {
    const held = led.filter((row) => row.day >= from && row.day <= to);
    return {
      cost: held.reduce((sum, row) => sum + row.cost, 0),
      sales: held.reduce((sum, row) => sum + row.value, 0),
    };
  };
  const from = day + windows.settle;
  return {
    before: within(day - windows.before, day - 1),
    after: within(from, from + windows.after - 1),
  };
}
