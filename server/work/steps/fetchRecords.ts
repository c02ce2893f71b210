import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import type { MarketRow } from '../../data/markets';
import { keepPlaceRecords, placeRecords } from '../../data/placeRecords';
import { KnownProblem } from '../../problems/problem';
import type { JobContext } from './context';

/** Public records of targets on a date: what is held of that very day, else fetched and kept. */
export async function fetchRecords(
  { database, source, signal }: Pick<JobContext, 'database' | 'source'> & { signal?: AbortSignal },
  market: MarketRow,
  date: string,
  addresses: readonly string[],
): Promise<{ records: SourceFullRecord[]; missing: string[] }> {
  const held = await placeRecords(database, addresses, date);
  const records: SourceFullRecord[] = [];
  const fetched: SourceFullRecord[] = [];
  const missing: string[] = [];
  for (const address of addresses) {
    const known = held.get(address);
    if (known?.date === date) {
      records.push(known.record);
      continue;
    }
    try {
      const record = await source.record({ market: market.code, date, target: address, signal });
      records.push(record);
      fetched.push(record);
    } catch (error) {
      if (!(error instanceof KnownProblem)) throw error;
      missing.push(address);
    }
  }
  await keepPlaceRecords(database, fetched, date);
  return { records, missing };
}
