import type { ImportKind } from '@opsimath/contract/api/imports';
import type { InStatement } from '../../data/connection';
import type { ImportRow } from '../../data/imports';
import type { MarketRow } from '../../data/markets';
import type { ImportedRow, ImportedRows } from '../../files/rowReaders';
import type { JobContext } from '../context';
import { adTermsStore } from './adTerms';
import { hiddenTermsStore } from './hiddenTerms';
import { metricsStore } from './metrics';
import { performanceStore } from './performance';

/** Where the rows of one kind of table go. */
export interface RowStore<Row> {
  /** What writes a chunk of rows, and the rows that turned out to be of no use. */
  statements(rows: readonly Row[]): Promise<{
    statements: InStatement[];
    refused: { index: number; reason: string }[];
  }>;
  /** After the last chunk. */
  finish(): Promise<void>;
}

export type StoreMaker<Kind extends ImportKind> = (
  context: JobContext,
  entry: ImportRow,
  market: MarketRow,
) => Promise<RowStore<ImportedRows[Kind]>>;

/** Rankings come in columns from a thread of their own and have another way (rankings.ts). */
type StoredKind = Exclude<ImportKind, 'rankings'>;

const MAKERS: { [Kind in StoredKind]: StoreMaker<Kind> } = {
  performance: performanceStore,
  'ad terms': adTermsStore,
  metrics: metricsStore,
  'hidden terms': hiddenTermsStore,
};

export function storeOf(
  context: JobContext,
  entry: ImportRow,
  market: MarketRow,
): Promise<RowStore<ImportedRow>> {
  return MAKERS[entry.reading.kind as StoredKind](context, entry, market) as Promise<RowStore<ImportedRow>>;
}

const DAY_MS = 86_400_000;
export function isoDay(day: number): string {
  return new Date(day * DAY_MS).toISOString().slice(0, 10);
}

/** Rows by day, so that each segment speaks of one date. */
export function byDay<Row extends { day: number }>(rows: readonly Row[]): Map<number, Row[]> {
  const groups = new Map<number, Row[]>();
  for (const row of rows) {
    const group = groups.get(row.day);
    if (group) group.push(row);
    else groups.set(row.day, [row]);
  }
  return groups;
}
