import { setTimeout as pause } from 'node:timers/promises';

/** Long work waits so long at one place, then goes on though somebody waits. */
const LONGEST_MS = 400;
const STEP_MS = 10;

/** How many answers people wait for, known to all threads: long work makes way for them between two of its steps. */
export class People {
  private readonly count: Int32Array;

  constructor(readonly shared: SharedArrayBuffer = new SharedArrayBuffer(4)) {
    this.count = new Int32Array(shared);
  }

  /** Counts an answer while it is being made. */
  async waiting<T>(answer: () => Promise<T>): Promise<T> {
    Atomics.add(this.count, 0, 1);
    try {
      return await answer();
    } finally {
      Atomics.sub(this.count, 0, 1);
    }
  }

  get many(): number {
    return Atomics.load(this.count, 0);
  }

  /** Waits until nobody waits, but not for long: with many people somebody always does. */
  async makeWay(): Promise<void> {
    for (let waited = 0; this.many > 0 && waited < LONGEST_MS; waited += STEP_MS) await pause(STEP_MS);
  }
}
