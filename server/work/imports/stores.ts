import type { ImportKind } from '@opsimath/contract/api/imports';
import type { InStatement } from '../../data/storage/connection';
import type { ImportRow } from '../../data/imports';
import type { MarketRow } from '../../data/markets';
import type { ImportedRow, ImportedRows } from '../../files/rowReaders';
import type { JobContext } from '../steps/context';
import { adTermsStore } from './adTerms';
import { hiddenTermsStore } from './hiddenTerms';
import { metricsStore } from './metrics';
import { performanceStore } from './performance';
import { visitsStore } from './visits';

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
  visits: visitsStore,
};

export function storeOf(
  context: JobContext,
  entry: ImportRow,
  market: MarketRow,
): Promise<RowStore<ImportedRow>> {
  return MAKERS[entry.reading.kind as StoredKind](context, entry, market) as Promise<RowStore<ImportedRow>>;
}
