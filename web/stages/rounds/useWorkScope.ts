import type { WorkScope } from '@opsimath/contract/api/rounds';
import { useMemo } from 'react';
import { useScope } from '../../state/useScope';

/** Which comparison says what could be done: the whole market between the two dates. */
export function useWorkScope(): WorkScope {
  const { comparison } = useScope();
  const { market, date, compare } = comparison;
  return useMemo(
    () => ({ market, date, ...(compare !== undefined && { compare }) }),
    [market, date, compare],
  );
}
