import type { LanePosition } from './laneScale';

interface LaneStanding {
  name: string;
  organic: LanePosition;
  paid: LanePosition;
}

/** The lane in words, for those who do not see it. */
export function laneWords(
  own: LaneStanding & { before: LanePosition | null },
  rivals: readonly LaneStanding[],
): string {
  const before =
    own.before !== null && own.before !== own.organic && own.before !== 'unknown'
      ? `, was ${own.before}`
      : '';
  const organic = [
    `${own.name} ${own.organic}${before}`,
    ...rivals.map((rival) => `${rival.name} ${rival.organic}`),
  ];
  const paying = [{ name: own.name, paid: own.paid }, ...rivals].filter(
    (side): side is { name: string; paid: number } & typeof side => typeof side.paid === 'number',
  );
  const paid = paying.map((side) => `${side.name} ${side.paid}`);
  return `Organic: ${organic.join('; ')}. ${paid.length > 0 ? `Paid: ${paid.join('; ')}.` : 'No paid slots of these.'}`;
}
