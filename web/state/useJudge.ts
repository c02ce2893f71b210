import type { Judgement } from '@opsimath/contract/api/judgements';
import { judging } from './judging';
import { useAppSelector } from './store';
import { useUndoable } from './undoStacks';
import { useScope } from './useScope';

/**
 * Judges keywords: it is seen at once, kept in the browser until the server has it, and can be taken back to what stood
 * before, whoever had said it.
 */
export function useJudge(): (changes: Judgement[], what: string) => void {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const undoable = useUndoable(project);
  return (changes, what) => {
    const { id, stood } = judging.give(project, changes, person);
    const step = { takesBack: id, project, stood };
    // Once taken back, what does it again is that step taken back.
    undoable({ what, undo: step, redo: step });
  };
}
