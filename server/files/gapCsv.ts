import type { GapPage, GapRow, Position } from '@opsimath/contract/api/gaps';

export interface CsvColumn {
  head: string;
  cell: (row: GapRow) => string | number | null;
}

/** The columns of a gap table as exported: every figure with its unit in the head. */
export function gapColumns(
  page: Pick<GapPage, 'rivals' | 'own' | 'currency'>,
  notes: ReadonlyMap<number, string>,
): CsvColumn[] {
  const place = (position: Position): string | number => position;
  return [
    { head: 'keyword', cell: (row) => row.text },
    { head: 'gap kind', cell: (row) => row.kind },
    { head: 'paid state', cell: (row) => row.paid },
    { head: 'marks', cell: (row) => marksOf(row).join(' ') },
    { head: `${page.own} organic position`, cell: (row) => place(row.own) },
    { head: `${page.own} organic position before`, cell: (row) => place(row.ownBefore) },
    { head: 'moved (positive is up)', cell: (row) => row.moved },
    { head: `${page.own} page`, cell: (row) => row.ownAddress },
    { head: `${page.own} paid slot`, cell: (row) => place(row.ownPaid) },
    ...page.rivals.flatMap((rival, r): CsvColumn[] => [
      { head: `${rival.name} organic position`, cell: (row) => place(row.rivals[r]!) },
      { head: `${rival.name} paid slot`, cell: (row) => place(row.rivalsPaid[r]!) },
    ]),
    { head: 'spread (rivals on the front)', cell: (row) => row.spread },
    { head: 'volume (searches a month)', cell: (row) => row.volume },
    { head: 'volume borrowed', cell: (row) => (row.volumeBorrowed ? 'yes' : '') },
    { head: 'demand (searches a month, coming three, estimated)', cell: (row) => rounded(row.demand, 1) },
    { head: 'chance (0-1, estimated)', cell: (row) => rounded(row.chance, 4) },
    { head: `worth of a click (${page.currency}, estimated)`, cell: (row) => rounded(row.worth, 4) },
    { head: 'gain (clicks a month, estimated)', cell: (row) => rounded(row.gain, 2) },
    {
      head: `expected worth (${page.currency} a month, estimated)`,
      cell: (row) => rounded(row.worthAMonth, 4),
    },
    { head: 'effort (days)', cell: (row) => row.effort },
    {
      head: `priority (${page.currency} a month for a day of work, estimated)`,
      cell: (row) => rounded(row.priority, 4),
    },
    { head: 'suggested action', cell: (row) => row.action },
    { head: 'reason', cell: (row) => row.reason },
    { head: `CPC low (${page.currency})`, cell: (row) => row.cpcLow },
    { head: `CPC high (${page.currency})`, cell: (row) => row.cpcHigh },
    { head: 'ad competition (0-1)', cell: (row) => row.adCompetition },
    { head: 'difficulty (0-100)', cell: (row) => row.difficulty },
    { head: 'own clicks (a month, estimated)', cell: (row) => rounded(row.ownClicks, 1) },
    { head: 'best rival’s clicks (a month, estimated)', cell: (row) => rounded(row.rivalClicks, 1) },
    { head: 'results (rough)', cell: (row) => row.results },
    { head: 'exact rivals on the front', cell: (row) => row.exactRivals },
    {
      head: 'block held by others',
      cell: ({ block }) => block && `${block.kind}: ${block.holder ?? 'nobody'}`,
    },
    { head: `median price of the front (${page.currency})`, cell: (row) => row.frontPrice },
    { head: 'median rating of the front', cell: (row) => row.frontRating },
    { head: 'median reviews of the front', cell: (row) => row.frontReviews },
    { head: 'captured on', cell: (row) => row.captureDate },
    { head: 'notes', cell: (row) => notes.get(row.id) ?? null },
  ];
}

export function marksOf(row: Pick<GapRow, 'near' | 'doubling' | 'movement' | 'byHand'>): string[] {
  return [
    row.near && 'near',
    row.doubling && 'doubling',
    row.movement !== 'none' && row.movement,
    row.byHand && 'by hand',
  ].filter((mark): mark is string => typeof mark === 'string');
}

/** Text that a spreadsheet would take for a formula gets an apostrophe in front; line ends become spaces. */
export function safeCell(value: string | number | null): string | number {
  if (value === null) return '';
  if (typeof value === 'number') return value;
  const flat = value.replace(/[\r\n]+/g, ' ');
  return /^[\s\u00a0]*[=+\-@\t]/.test(flat) ? `'${flat}` : flat;
}

function rounded(value: number | null, digits: number): number | null {
  return value === null ? null : Number(value.toFixed(digits));
}
