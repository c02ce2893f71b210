import { useMemo } from 'react';
import '../../parts/lane/lane.css';
import { RowLane } from '../../parts/lane/RowLane';
import { useGapPageQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { useWorkScope } from './useWorkScope';

const WIDTH = 262;
const HEIGHT = 26;
const MOST = 300;

/** Draws the lane of a keyword that leads a piece of work; nothing where it is not known in this market. */
export function useLeadLanes(ids: readonly number[]): (id: number) => React.ReactNode {
  const { project } = useScope();
  const work = useWorkScope();
  const chosen = useMemo(() => [...new Set(ids)].slice(0, MOST), [ids]);
  const { data } = useGapPageQuery(
    { project, query: { ...work, chosen, limit: MOST } },
    { skip: chosen.length === 0 },
  );
  const rows = useMemo(() => new Map(data?.rows.map((row) => [row.id, row])), [data]);
  return (id) => {
    const row = rows.get(id);
    return row && data ? (
      <RowLane
        row={row}
        own={data.own}
        rivals={data.rivals}
        front={data.front}
        width={WIDTH}
        height={HEIGHT}
      />
    ) : (
      <div style={{ height: HEIGHT }} />
    );
  };
}
