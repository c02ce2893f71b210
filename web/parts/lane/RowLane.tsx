import type { GapRow, RivalColumn } from '@opsimath/contract/api/gaps';
import { Lane } from './Lane';

interface RowLaneProps {
  row: Pick<GapRow, 'own' | 'ownBefore' | 'ownPaid' | 'rivals' | 'rivalsPaid'>;
  /** Name of our side. */
  own: string;
  /** In the order of the row’s positions. */
  rivals: readonly RivalColumn[];
  front: number;
  width: number;
  height?: number;
}

/** The lane of one keyword of a comparison. */
export function RowLane({ row, own, rivals, front, width, height }: RowLaneProps) {
  return (
    <Lane
      width={width}
      {...(height !== undefined && { height })}
      front={front}
      own={{ name: own, organic: row.own, before: row.ownBefore, paid: row.ownPaid }}
      rivals={rivals.map(({ name, letter }, n) => ({
        name,
        letter,
        hue: n,
        organic: row.rivals[n]!,
        paid: row.rivalsPaid[n]!,
      }))}
    />
  );
}
