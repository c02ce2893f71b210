import { useSyncExternalStore } from 'react';
import { runOperation } from './operations';
import { type Done, UndoStack } from './undo';

const stacks = new Map<number, UndoStack>();

/** The steps of a project that can be taken back in this window, also after a reload of it. */
export function undoStackOf(project: number): UndoStack {
  let stack = stacks.get(project);
  if (!stack) {
    const place = `opsimath.undo.${project}`;
    stack = new UndoStack(runOperation, {
      read: () => sessionStorage.getItem(place),
      write: (text) => {
        try {
          sessionStorage.setItem(place, text);
        } catch {
          // Too much to keep: then a reload forgets it.
          sessionStorage.removeItem(place);
        }
      },
    });
    stacks.set(project, stack);
  }
  return stack;
}

/** Notes what was done in a project, so that it can be taken back. */
export function useUndoable(project: number): (done: Done) => void {
  return (done) => undoStackOf(project).push(done);
}

/** What would be taken back and what done again, in words. */
export function useUndoState(project: number): { undo: string | null; redo: string | null } {
  const stack = undoStackOf(project);
  return useSyncExternalStore(stack.listen, stack.state);
}
