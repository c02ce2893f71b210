import { threadId } from 'node:worker_threads';

/** In nobody's hands. Otherwise the number of the thread that writes, and one. */
const FREE = 0;
/** A thread that died while waiting is never told; the others look for themselves now and then. */
const LOOK_AGAIN_MS = 500;

/**
 * Whose turn it is to write into the project file: one of all threads of the process at a time, and none of them
 * stands still while it waits. The number lies in memory that the threads share.
 */
export class WriteTurn {
  private readonly holder: Int32Array<SharedArrayBuffer>;
  private tail: Promise<unknown> = Promise.resolve();

  constructor(readonly shared: SharedArrayBuffer = new SharedArrayBuffer(4)) {
    this.holder = new Int32Array(shared);
  }

  /** Runs when it is this one's turn, after everything that asked before it in this thread. */
  run<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.tail.then(async () => {
      await this.take();
      try {
        return await work();
      } finally {
        this.give(threadId);
      }
    });
    this.tail = mine.catch(() => undefined);
    return mine;
  }

  /** Gives back the turn of a thread that has ended in the middle of it. */
  release(thread: number): void {
    this.give(thread);
  }

  private async take(): Promise<void> {
    const own = threadId + 1;
    for (;;) {
      const held = Atomics.compareExchange(this.holder, 0, FREE, own);
      if (held === FREE) return;
      const waiting = Atomics.waitAsync(this.holder, 0, held, LOOK_AGAIN_MS);
      if (waiting.async) await waiting.value;
    }
  }

  private give(thread: number): void {
    if (Atomics.compareExchange(this.holder, 0, thread + 1, FREE) === thread + 1)
      Atomics.notify(this.holder, 0);
  }
}
