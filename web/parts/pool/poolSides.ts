import type { PoolPage, PoolRow } from '@opsimath/contract/api/pool';
import type { Target } from '@opsimath/contract/api/targets';
import type { Position } from '@opsimath/contract/api/position';
import { rivalLetters } from '@opsimath/core/gap/letters';
import { liesUnder } from '@opsimath/core/text/address';
import { t } from '../../words/t';

/** One looked-up target as the lane shows it: letters and hues as everywhere else in the project. */
export interface PoolSide {
  index: number;
  name: string;
  letter: string;
  hue: number;
}
export interface PoolSides {
  /** The pool has no targets of its own: rows say where we and rivals stand. */
  beside: boolean;
  /** Results of a page that make the front. */
  front: number;
  own: number[];
  ownName: string;
  others: PoolSide[];
}

export function sidesOf(
  page: Pick<PoolPage, 'targets'>,
  targets: readonly Target[],
  front: number,
): PoolSides {
  const ours = targets.filter((target) => target.side === 'own');
  if (page.targets.length === 0) return besideOf(ours, targets, front);
  const isOwn = (address: string): boolean =>
    ours.some((target) => liesUnder(address, target.address) || address === target.address);
  const own = page.targets.flatMap((address, t) => (isOwn(address) ? [t] : []));
  const rivals = targets.filter((target) => target.side === 'rival');
  const known = rivals.map((rival) => rival.address);
  const strangers = page.targets.filter((address) => !isOwn(address) && !known.includes(address));
  const order = [...known, ...strangers];
  const letters = rivalLetters([...rivals.map((rival) => rival.name), ...strangers.map(lastPart)]);
  const others = page.targets.flatMap((address, index) => {
    const hue = order.indexOf(address);
    return own.includes(index) || hue < 0
      ? []
      : [{ index, name: rivals[hue]?.name ?? address, letter: letters[hue]!, hue }];
  });
  const ownName =
    ours.find((target) => target.address === page.targets[own[0] ?? -1])?.name ?? t('parts:poolSides.ours');
  return { beside: false, front, own, ownName, others };
}

/** We and the rivals of the roster, where a pool looked up none of them itself. */
function besideOf(ours: readonly Target[], targets: readonly Target[], front: number): PoolSides {
  const rivals = targets.filter((target) => target.side === 'rival');
  const letters = rivalLetters(rivals.map(({ name }) => name));
  return {
    beside: true,
    front,
    own: [],
    ownName: ours[0]?.name ?? t('parts:poolSides.ours'),
    others: rivals.map(({ name }, index) => ({ index, name, letter: letters[index]!, hue: index })),
  };
}

function lastPart(address: string): string {
  return address.slice(address.lastIndexOf('/') + 1);
}

/** Position of one target: as looked up, else as captured; absent is said only by a capture. */
export function positionAt(row: PoolRow, index: number): Position {
  return row.organic[index] ?? row.captured[index] ?? row.standing?.rivals[index] ?? 'unknown';
}

export function paidAt(row: PoolRow, index: number): Position {
  return row.paid[index] ?? row.standing?.rivalsPaid[index] ?? 'unknown';
}

/** The best of several of our targets. */
export function bestOf(positions: readonly Position[]): Position {
  const places = positions.filter((position): position is number => typeof position === 'number');
  if (places.length > 0) return Math.min(...places);
  return positions.includes('absent') ? 'absent' : 'unknown';
}
