import { useSyncExternalStore } from 'react';

/** One thing that was done: how to take it back and how to do it again. */
export interface Done {
  what: string;
  undo: () => Promise<unknown>;
  redo: () => Promise<unknown>;
}

const MOST_KEPT = 200;

/** What was done, in its order, and what was taken back. Doing something new forgets what was taken back. */
export class UndoStack {
  private done: Done[] = [];
  private undone: Done[] = [];
  private readonly listeners = new Set<() => void>();
  private shown: { undo: string | null; redo: string | null } = { undo: null, redo: null };

  push(entry: Done): void {
    this.done = [...this.done, entry].slice(-MOST_KEPT);
    this.undone = [];
    this.tell();
  }

  /** Takes the last thing back; gives what it was, `null` when there is nothing. A failure leaves all as it was. */
  async undo(): Promise<string | null> {
    const entry = this.done.at(-1);
    if (!entry) return null;
    await entry.undo();
    this.done = this.done.filter((other) => other !== entry);
    this.undone = [...this.undone, entry];
    this.tell();
    return entry.what;
  }

  async redo(): Promise<string | null> {
    const entry = this.undone.at(-1);
    if (!entry) return null;
    await entry.redo();
    this.undone = this.undone.filter((other) => other !== entry);
    this.done = [...this.done, entry];
    this.tell();
    return entry.what;
  }

  readonly state = (): { undo: string | null; redo: string | null } => this.shown;
  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private tell(): void {
    this.shown = { undo: this.done.at(-1)?.what ?? null, redo: this.undone.at(-1)?.what ?? null };
    for (const listener of this.listeners) listener();
  }
}

const stacks = new Map<number, UndoStack>();

/** The steps of a project that can be taken back in this window. */
export function undoStackOf(project: number): UndoStack {
  let stack = stacks.get(project);
  if (!stack) stacks.set(project, (stack = new UndoStack()));
  return stack;
}

/** What would be taken back and what done again, in words. */
export function useUndoState(project: number): { undo: string | null; redo: string | null } {
  const stack = undoStackOf(project);
  return useSyncExternalStore(stack.listen, stack.state);
}
