import { FOUND_BY, type FoundBy } from '@opsimath/contract/api/foundBy';
import { MATCH_MODES, type MatchMode } from '@opsimath/core/text/matchModes';
import type { AddressReader } from './address';

/** How a pool is shown in Look-up. */
export interface PoolScope {
  /** Look-up whose pool is open, and how it is shown. */
  lookUp: number | null;
  /** Empty for the usual order of the pool (poolOrder). */
  poolSort: string;
  poolFind: string;
  poolWords: string;
  poolMode: MatchMode;
  poolFound: FoundBy[];
  /** Words none of whose stems a keyword may hold. */
  poolWithout: string;
  /** Columns that are shown; empty for the usual ones. */
  columns: string[];
}

export function readPool(address: AddressReader): PoolScope {
  return {
    lookUp: address.id('lookUp'),
    poolSort: address.text('poolSort'),
    poolFind: address.text('poolFind'),
    poolWords: address.text('poolWords'),
    poolMode: address.one('poolMode', MATCH_MODES, 'any word'),
    poolFound: address.several('poolFound', FOUND_BY),
    poolWithout: address.text('poolWithout'),
    columns: address.words('columns'),
  };
}
