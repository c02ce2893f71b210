import { useLocation } from 'react-router';
import { useKeys } from '../parts/keys/useKeys';
import { STAGE_PARTS, partOf, viewOf } from '../state/stageParts';
import { useScope } from '../state/useScope';

/** Comma and full stop go to the part of the stage before and after the one that is open, round and round. */
export function usePartKeys(): void {
  const { scope, change } = useScope();
  const stage = useLocation().pathname.split('/')[3] ?? '';
  const move = (by: number): void => {
    if (!Object.hasOwn(STAGE_PARTS, stage)) return;
    const of = stage as keyof typeof STAGE_PARTS;
    const parts: readonly { value: string }[] = STAGE_PARTS[of];
    const at = parts.findIndex(({ value }) => value === partOf(of, scope.view));
    change({ view: viewOf(of, parts.at((at + by) % parts.length)!.value) }, { replace: true });
  };
  useKeys(',', () => move(-1), [stage, scope.view]);
  useKeys('.', () => move(1), [stage, scope.view]);
}
