import type { GapQuery } from '@opsimath/contract/api/gaps';
import { toParams } from '../../state/api';

/** Where the CSV of everything that passes the filter comes from. */
export function exportAddress(project: number, query: GapQuery): string {
  return `/api/projects/${project}/gaps.csv?${new URLSearchParams(toParams(query))}`;
}
