import { useCallback, useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';

/**
 * One choice of a view, kept in the address under a name of its own, so that a link, a reload and the way back show the
 * same. What is not among the allowed, where some are named, is as if it were not there; the usual one is not written.
 */
export function useShown<T extends string>(
  name: string,
  usual: T,
  allowed?: readonly T[],
): [shown: T, show: (next: T) => void] {
  const [params, setParams] = useSearchParams();
  const written = params.get(name) as T | null;
  const shown = written === null || (allowed && !allowed.includes(written)) ? usual : written;
  const setter = useRef(setParams);
  useEffect(() => {
    setter.current = setParams;
  });
  const show = useCallback(
    (next: T) =>
      setter.current(
        (current) => {
          const changed = new URLSearchParams(current);
          if (next === usual) changed.delete(name);
          else changed.set(name, next);
          return changed;
        },
        { replace: true, flushSync: true },
      ),
    [name, usual],
  );
  return [shown, show];
}
