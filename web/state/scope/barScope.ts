import { readPeriod } from '@opsimath/core/demand/period';
import type { AddressReader } from './address';

export const NO_COMPARE = 'none';
export const USUAL_PERIOD = '28 days';

/** What the bar above every stage says, and which part of a stage is open. */
export interface BarScope {
  market: string;
  date: string;
  compare: string;
  /** Period of own search performance. */
  own: string;
  /** The open part of a stage that has several. */
  view: string;
}

export function readBar(address: AddressReader): BarScope {
  return {
    market: address.text('market'),
    date: address.day('date'),
    compare: address.text('compare') === NO_COMPARE ? NO_COMPARE : address.day('compare'),
    own: readPeriod(address.text('own')) === null ? USUAL_PERIOD : address.text('own'),
    view: address.text('view'),
  };
}
