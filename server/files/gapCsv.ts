import { GAP_FIGURE_NAMES, type GapFigure, figureOf, fileHead } from '@opsimath/contract/figures/gapFigures';
import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import type { Position } from '@opsimath/contract/api/position';

interface CsvColumn {
  head: string;
  cell: (row: GapRow) => string | number | null;
}

/** What stands in words, before the figures and after them. */
const WORDS: CsvColumn[] = [
  { head: 'keyword', cell: (row) => row.text },
  { head: 'gap kind', cell: (row) => row.kind },
  { head: 'paid state', cell: (row) => row.paid },
  { head: 'marks', cell: (row) => row.marks.join(', ') },
  { head: 'verdict', cell: (row) => row.verdict },
];
const FURTHER: CsvColumn[] = [
  { head: 'position aimed at', cell: (row) => row.aim },
  { head: 'volume borrowed', cell: (row) => (row.volumeBorrowed ? 'yes' : '') },
  { head: 'chance assumed', cell: (row) => (row.chanceAssumed ? 'yes' : '') },
  { head: 'worth from', cell: (row) => row.worthSource },
  { head: 'suggested action', cell: (row) => row.action },
  { head: 'reason', cell: (row) => row.reason },
  {
    head: 'block held by others',
    cell: ({ block }) => block && `${block.kind}: ${block.holder ?? 'nobody'}`,
  },
  { head: 'followed', cell: (row) => (row.tracked ? 'yes' : '') },
  { head: 'captured on', cell: (row) => row.captureDate },
];

/**
 * The columns of a gap table as exported: every figure of the register with its unit in the head, or those that are named;
 * what stands in words and positions are always there.
 */
export function gapColumns(
  page: Pick<GapPage, 'rivals' | 'own' | 'currency' | 'resultsPerPage'>,
  notes: ReadonlyMap<number, string>,
  figures: readonly GapFigure[] = [],
): CsvColumn[] {
  const { own, rivals, currency, resultsPerPage } = page;
  const context = { currency, rivals: rivals.length, resultsPerPage };
  const placed = (position: Position, presumed: boolean): string | number =>
    presumed ? 'absent (presumed)' : position;
  return [
    ...WORDS,
    { head: `${own} organic position`, cell: (row) => placed(row.own, row.ownPresumed) },
    { head: `${own} organic position before`, cell: (row) => row.ownBefore },
    { head: `${own} page`, cell: (row) => row.ownAddress },
    { head: `${own} paid slot`, cell: (row) => row.ownPaid },
    ...rivals.flatMap((rival, r): CsvColumn[] => [
      {
        head: `${rival.name} organic position`,
        cell: (row) => placed(row.rivals[r]!, row.rivalsPresumed[r]!),
      },
      { head: `${rival.name} paid slot`, cell: (row) => row.rivalsPaid[r]! },
    ]),
    ...GAP_FIGURE_NAMES.filter(
      (name) => !figureOf(name).position && (figures.length === 0 || figures.includes(name)),
    ).map((name): CsvColumn => ({
      head: fileHead(name, context),
      cell: (row) => rounded(row.figures[name] ?? null, figureOf(name).fileDigits),
    })),
    ...(figures.length === 0 || figures.includes('cpc')
      ? [
          { head: `CPC low (${currency} a click)`, cell: (row: GapRow) => row.cpcLow },
          { head: `CPC high (${currency} a click)`, cell: (row: GapRow) => row.cpcHigh },
        ]
      : []),
    ...FURTHER,
    { head: 'notes', cell: (row) => notes.get(row.id) ?? null },
  ];
}

function rounded(value: number | null, digits: number): number | null {
  return value === null ? null : Number(value.toFixed(digits));
}
