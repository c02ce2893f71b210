import { GAP_FACETS } from '@opsimath/contract/api/gapChoices';
import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { Scope } from '../../state/scope';

/** What lets go of every filter. */
export const EVERYTHING: Partial<Scope> = {
  ...Object.fromEntries(GAP_FACETS.map((name) => [name, []])),
  limits: '',
  inList: null,
  cluster: null,
  answering: '',
  find: '',
};

/** Whether anything is filtered out. */
export function isNarrowed(scope: Scope): boolean {
  return (Object.keys(EVERYTHING) as (keyof Scope)[]).some((name) => {
    const value = scope[name];
    return Array.isArray(value) ? value.length > 0 : value !== '' && value !== null;
  });
}

/** What the API reads as the address has it. */
const AS_IT_IS = [...GAP_FACETS, 'limits', 'find', 'sort'] as const;

/** Filter and order of gaps as the API reads them. */
export function gapFilterOf(scope: Scope): Omit<GapQuery, 'market' | 'date'> {
  const same = Object.fromEntries(AS_IT_IS.map((name) => [name, scope[name]]));
  return {
    ...(same as Pick<Scope, (typeof AS_IT_IS)[number]>),
    // They are read in a pool alone.
    purposes: scope.pool === null ? [] : scope.purposes,
    inList: scope.inList ?? undefined,
    cluster: scope.cluster ?? undefined,
    target: scope.answering || undefined,
  };
}
