import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { GapFigure } from '@opsimath/contract/figures/gapFigures';
import { toParams } from '../../state/api';
import { t } from '../../words/t';

/** Formats in which gaps are exported, by the words of the menu. */
export const FORMATS = [
  { format: 'csv', name: t('parts:exportAddress.cSV') },
  { format: 'xlsx', name: t('parts:exportAddress.workbookXLSX') },
  { format: 'json', name: t('parts:exportAddress.jSON') },
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
