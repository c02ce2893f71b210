import type { Position } from '@opsimath/contract/api/position';
import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';

/** A column value as the interface reads it. */
export function positionOf(value: number): Position {
  return value === UNKNOWN ? 'unknown' : value === ABSENT ? 'absent' : value;
}
