import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import { useCallback, useEffect, useMemo, useRef } from 'react';
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
  // The setter is another one after every change; those who are given `change` need not be drawn again for that.
  const setter = useRef(setParams);
  useEffect(() => {
    setter.current = setParams;
  });
  const change = useCallback(
    (next: Partial<Scope>, options: { replace?: boolean } = {}) =>
      // At once, not as a transition: what was pressed is seen pressed in the same frame.
      setter.current((current) => writeScope(current, next), {
        replace: options.replace ?? false,
        flushSync: true,
      }),
    [],
  );
  const comparison = useMemo(
    () => ({
      market: scope.market,
      date: scope.date,
      compare: comparedWith(scope),
      pool: scope.pool ?? undefined,
      list: scope.list ?? undefined,
      only: scope.only || undefined,
    }),
    [scope],
  );
  return { project: Number(project), scope, comparison, change };
}
