import type { ComparisonScope } from '@opsimath/contract/api/gaps';
import { useCallback, useMemo } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { type Scope, comparedWith, readScope, writeScope } from './scope';

/** The scope in the address and how to change it. Changes of view replace, changes of place are new history. */
export function useScope(): {
  project: number;
  scope: Scope;
  comparison: ComparisonScope;
  change: (change: Partial<Scope>, options?: { replace?: boolean }) => void;
} {
  const { project } = useParams();
  const [params, setParams] = useSearchParams();
  const scope = useMemo(() => readScope(params), [params]);
  const change = useCallback(
    (next: Partial<Scope>, options: { replace?: boolean } = {}) =>
      setParams((current) => writeScope(current, next), { replace: options.replace ?? false }),
    [setParams],
  );
  const comparison = useMemo(
    () => ({
      market: scope.market,
      date: scope.date,
      compare: comparedWith(scope),
      pool: scope.pool ?? undefined,
    }),
    [scope],
  );
  return { project: Number(project), scope, comparison, change };
}
