import type { PoolRow } from '@opsimath/contract/api/pool';
import { Lane } from '../lane/Lane';
import { LaneHead } from '../lane/LaneHead';
import type { GridColumn } from '../table/gridColumn';
import { type PoolSides, bestOf, paidAt, positionAt } from './poolSides';
import { t } from '../../words/t';

/** The column of lanes in a table of a pool: ours and everybody else's positions. */
export function laneColumn<Row extends PoolRow>(
  sides: PoolSides,
  { width, height }: { width: number; height: number },
): GridColumn<Row> {
  return {
    id: 'lane',
    name: t('parts:laneColumn.bestPosition'),
    head: <LaneHead width={width} />,
    sort: 'best',
    tip: sides.beside
      ? t('parts:laneColumn.whereWeAndTheRivalsOf')
      : t('parts:laneColumn.positionsThisLookUpFoundA'),
    width: width + 12,
    cell: (row) => (
      <Lane
        width={width}
        height={height}
        front={sides.front}
        own={{
          name: sides.ownName,
          organic: row.standing?.own ?? bestOf(sides.own.map((index) => positionAt(row, index))),
          before: null,
          paid: row.standing?.ownPaid ?? bestOf(sides.own.map((index) => paidAt(row, index))),
        }}
        rivals={sides.others.map((side) => ({
          ...side,
          organic: positionAt(row, side.index),
          paid: paidAt(row, side.index),
        }))}
      />
    ),
  };
}
