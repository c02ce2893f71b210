import type {
  LaneCell,
  ReportCell,
  ReportColumn,
  ReportContent,
  ReportTable,
} from '@opsimath/contract/api/reportContent';
import { shown } from '@opsimath/core/shown';
import { inWords } from './lanePicture';

export const isLane = (cell: ReportCell): cell is LaneCell => cell !== null && typeof cell === 'object';

/** A cell as its reader sees it; a lane in words. */
export function spelledCell(
  cell: ReportCell,
  { kind, digits }: ReportColumn,
  content: ReportContent,
): string {
  return isLane(cell) ? inWords(cell, content) : shown(kind, cell, digits);
}

const FIGURES = new Set(['count', 'decimal', 'share', 'money', 'position']);
export const isFigure = ({ kind }: ReportColumn): boolean => FIGURES.has(kind);

/** All tables of a report, in their order. */
export const tablesOf = ({ sections }: ReportContent): ReportTable[] =>
  sections.flatMap(({ blocks }) => blocks.filter((block): block is ReportTable => block.kind === 'table'));

/** Scope and day of a report in one line. */
export function scopeLine({ project, market, date, compare, scope }: ReportContent): string {
  const against = compare === null ? '' : ` against ${shown('day', compare)}`;
  return `${project} · ${market} · ${shown('day', date)}${against} · over ${scope}`;
}
