import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { Scope } from '../../state/scope';

/** What lets go of every filter. */
export const EVERYTHING: Partial<Scope> = {
  kinds: [],
  marks: [],
  paid: [],
  rivals: [],
  bands: [],
  pageKinds: [],
  names: [],
  purposes: [],
  verdicts: [],
  actions: [],
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

/** Filter and order of gaps as the API reads them. */
export function gapFilterOf(scope: Scope): Omit<GapQuery, 'market' | 'date'> {
  const {
    kinds,
    paid,
    marks,
    rivals,
    bands,
    pageKinds,
    names,
    purposes,
    verdicts,
    actions,
    limits,
    find,
    sort,
  } = scope;
  return {
    kinds,
    paid,
    marks,
    rivals,
    bands,
    pageKinds,
    names,
    purposes: scope.pool === null ? [] : purposes,
    verdicts,
    actions,
    limits,
    find,
    sort,
    inList: scope.inList ?? undefined,
    cluster: scope.cluster ?? undefined,
    target: scope.answering || undefined,
  };
}
