import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { GapFigure } from '@opsimath/contract/figures/gapFigures';
import { toParams } from '../../state/api';

/** Formats in which gaps are exported, by the words of the menu. */
export const FORMATS = [
  { format: 'csv', name: 'CSV' },
  { format: 'xlsx', name: 'workbook (XLSX)' },
  { format: 'json', name: 'JSON' },
] as const;
type Format = (typeof FORMATS)[number]['format'];

/** Where the file of everything that passes the filter comes from: with all figures, or only those named. */
export function exportAddress(
  project: number,
  query: GapQuery,
  format: Format,
  figures: readonly GapFigure[] = [],
): string {
  const params = new URLSearchParams({ ...toParams({ ...query, figures }), format });
  return `/api/projects/${project}/gaps.file?${params}`;
}
