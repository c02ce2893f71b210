import type { Operation } from './operations';

/** One thing that was done: how to take it back and how to do it again. */
export interface Done {
  what: string;
  undo: Operation;
  redo: Operation;
}

/** Where the steps are kept over a reload. */
export interface Kept {
  read: () => string | null;
  write: (text: string) => void;
}

const MOST_KEPT = 200;
const NOTHING = { undo: null, redo: null };

/** What was done, in its order, and what was taken back. Doing something new forgets what was taken back. */
export class UndoStack {
  private done: Done[] = [];
  private undone: Done[] = [];
  private busy: Promise<unknown> = Promise.resolve();
  private readonly listeners = new Set<() => void>();
  private shown: { undo: string | null; redo: string | null } = NOTHING;

  /** @param run does one operation; gives what would take it back where that is known only then */
  constructor(
    private readonly run: (operation: Operation) => Promise<Operation | null>,
    private readonly kept: Kept = { read: () => null, write: () => undefined },
  ) {
    try {
      const { done, undone } = JSON.parse(kept.read() ?? '{}') as { done?: Done[]; undone?: Done[] };
      this.done = done ?? [];
      this.undone = undone ?? [];
    } catch {
      // What cannot be read is forgotten.
    }
    this.show();
  }

  push(entry: Done): void {
    this.done = [...this.done, entry].slice(-MOST_KEPT);
    this.undone = [];
    this.tell();
  }

  /** Takes the last thing back; gives what it was, `null` when there is nothing. */
  undo(): Promise<string | null> {
    return this.inTurn(async () => {
      const entry = this.done.at(-1);
      if (!entry) return null;
      const redo = await this.tried(entry, entry.undo, 'done');
      this.done = this.done.filter((other) => other !== entry);
      this.undone = [...this.undone, { ...entry, redo: filled(redo, entry.redo) }];
      this.tell();
      return entry.what;
    });
  }

  redo(): Promise<string | null> {
    return this.inTurn(async () => {
      const entry = this.undone.at(-1);
      if (!entry) return null;
      const undo = await this.tried(entry, entry.redo, 'undone');
      this.undone = this.undone.filter((other) => other !== entry);
      this.done = [...this.done, { ...entry, undo: filled(undo, entry.undo) }];
      this.tell();
      return entry.what;
    });
  }

  /**
   * What fails because its thing is gone, or was changed by somebody else, can never be done: it is dropped, so that it
   * does not stand in the way of what was done before it. Anything else stays to be tried again.
   */
  private async tried(entry: Done, operation: Operation, list: 'done' | 'undone'): Promise<Operation | null> {
    try {
      return await this.run(operation);
    } catch (error) {
      if (isForGood(error)) {
        this[list] = this[list].filter((other) => other !== entry);
        this.tell();
      }
      throw error;
    }
  }

  /** One after another, however fast the keys are pressed. */
  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.busy.then(work, work);
    this.busy = mine.catch(() => undefined);
    return mine;
  }

  readonly state = (): { undo: string | null; redo: string | null } => this.shown;
  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private tell(): void {
    this.kept.write(JSON.stringify({ done: this.done, undone: this.undone }));
    this.show();
    for (const listener of this.listeners) listener();
  }

  private show(): void {
    this.shown = { undo: this.done.at(-1)?.what ?? null, redo: this.undone.at(-1)?.what ?? null };
  }
}

/** What is known only now, and what was known before where it is not. */
function filled(now: Operation | null, before: Operation): Operation {
  if (now === null) return before;
  if (!('all' in now) || !('all' in before)) return now;
  return { all: now.all.map((one, n) => one ?? before.all[n] ?? null) };
}

function isForGood(error: unknown): boolean {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: { code?: string } };
  return (typeof status === 'number' && status >= 400 && status < 500) || data?.code === 'changed-meanwhile';
}
