import type { Position } from '@opsimath/contract/api/position';
import { wordOf } from '../../words/t';

/** A position; absent and unknown stand back, and are never the same. */
export function PositionWord({ of }: { of: Position }) {
  return typeof of === 'number' ? of : <span className="faint">{wordOf(of)}</span>;
}
