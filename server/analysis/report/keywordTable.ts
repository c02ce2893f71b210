import type { GapRow } from '@opsimath/contract/api/gaps';
import type { ReportCell, ReportColumn, ReportTable } from '@opsimath/contract/api/reportContent';
import { laneOf } from './ground';

/** A column of a table of keywords: what it is, and what it says of each. */
export interface KeywordColumn extends ReportColumn {
  cell: (row: GapRow) => ReportCell;
  /** In the last row, which is of all of them. */
  last?: ReportCell;
}

export const KEYWORD: KeywordColumn = {
  ...{ key: 'keyword', name: 'Keyword', kind: 'text' },
  cell: ({ text }) => text,
};
export const SEARCHES: KeywordColumn = {
  ...{ key: 'demand', name: 'Searches', kind: 'count' },
  cell: ({ demand }) => demand,
};
export const WHERE_ALL_STAND: KeywordColumn = {
  ...{ key: 'lane', name: 'Where everybody stands', kind: 'lane' },
  cell: laneOf,
};

/** What of a keyword is better not aimed at, in words. */
export function warned({ text, level, reason, allowed }: GapRow['warnings'][number]): string {
  const why = reason === '' ? '' : `, ${reason}`;
  const leave =
    allowed === null
      ? ''
      : `; allowed by ${allowed.person === '' ? 'somebody who did not sign' : allowed.person} on ${allowed.at.slice(0, 10)}`;
  return `Holds “${text}”: ${level}${why}${leave}.`;
}

interface KeywordTableParts {
  id: string;
  title: string;
  columns: readonly KeywordColumn[];
  /** Those that are listed, of how many. */
  found: { rows: readonly GapRow[]; total: number };
  /** What they are, after the count of the last row. */
  unit?: string;
  below?: (row: GapRow) => string[];
  sums?: (row: GapRow) => string;
  /** There is a last row, though it be of none. */
  evenOfNone?: boolean;
  empty: string;
}

/** A table with a row a keyword, and a last one that says how many of how many they are. */
export function keywordTable(parts: KeywordTableParts): ReportTable {
  const { id, title, columns, found, unit = '', below, sums, evenOfNone = false, empty } = parts;
  const { rows, total } = found;
  return {
    kind: 'table',
    ...{ id, title, empty },
    columns: columns.map(({ cell: _, last: __, ...column }) => column),
    rows: [
      ...rows.map((row) => ({
        key: `g${row.id}`,
        cells: columns.map(({ cell }) => cell(row)),
        ...((below || row.warnings.length > 0) && {
          below: [...(below?.(row) ?? []), ...row.warnings.map(warned)],
        }),
        ...(sums && { sums: sums(row) }),
      })),
      ...(total === 0 && !evenOfNone
        ? []
        : [{ key: 'all', cells: [`${rows.length} of ${total}${unit}`, ...columns.slice(1).map(lastOf)] }]),
    ],
  };
}

const IN_WORDS = new Set<ReportColumn['kind']>(['text', 'position', 'address']);
const lastOf = ({ kind, last }: KeywordColumn): ReportCell => last ?? (IN_WORDS.has(kind) ? '' : null);
