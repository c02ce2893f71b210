import type { LookUp } from '@opsimath/contract/api/lookUps';

/** The order in which a list of keywords was given. */
export const GIVEN = 'given';

/** The orders of a pool: those chosen, else the order given for a list of keywords, else the most searched first. */
export function poolOrder(lookUp: Pick<LookUp, 'kind'>, chosen: string): string {
  if (chosen !== '') return chosen;
  return lookUp.kind === 'list' ? GIVEN : '-volume';
}
