import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { PoolPage } from '@opsimath/contract/api/pool';
import { useMemo } from 'react';
import { useTargetsQuery } from '../../state/rosterApi';
import { useFrontSize } from '../../state/useFrontSize';
import { useScope } from '../../state/useScope';
import { type PoolSides, sidesOf } from './poolSides';

const NOTHING: never[] = [];

/** Whom the lanes of a pool show: the targets of the project that are of the look-up's surface. */
export function usePoolSides(targets: PoolPage['targets'], surface: LookUp['surface']): PoolSides {
  const { project } = useScope();
  const { data } = useTargetsQuery(project);
  const front = useFrontSize();
  return useMemo(
    () =>
      sidesOf(
        { targets },
        (data ?? NOTHING).filter((target) => target.surface === surface),
        front,
      ),
    [targets, data, surface, front],
  );
}
