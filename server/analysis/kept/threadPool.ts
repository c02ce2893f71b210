import { existsSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';

/** A thread that has nothing to do is ended, and what it holds goes with it. */
const IDLE_MS = 20_000;

/** Threads on which something is worked out while other questions are answered. */
export class ThreadPool<Known extends { [Name in keyof Known]: { given: unknown; gives: unknown } }> {
  private pool: Piscina | null = null;

  /** @param program name of the bundled file, without its ending */
  constructor(
    private readonly program: string,
    private readonly atOnce: number,
  ) {}

  /** Works something out on a thread of its own; the others wait for their turn. */
  async run<Name extends keyof Known>(
    what: Name,
    given: Known[Name]['given'],
    onProgress: (done: number) => void = () => undefined,
  ): Promise<Known[Name]['gives']> {
    this.pool ??= this.open();
    const { port1: ours, port2: theirs } = new MessageChannel();
    ours.on('message', onProgress);
    ours.unref();
    try {
      return (await this.pool.run(
        { what, given, port: theirs },
        { transferList: [theirs] },
      )) as Known[Name]['gives'];
    } finally {
      ours.close();
    }
  }

  /** Ends the threads. */
  async close(): Promise<void> {
    const closing = this.pool;
    this.pool = null;
    await closing?.destroy();
  }

  /** The bundled file that the threads run. */
  get file(): string {
    const folder = path.dirname(fileURLToPath(import.meta.url));
    const beside = path.join(folder, `${this.program}.js`);
    // Tests run this file from its source: the thread's program stands where it was bundled to.
    return existsSync(beside) ? beside : path.join(folder, `../../dist/${this.program}.js`);
  }

  private open(): Piscina {
    return new Piscina({
      filename: this.file,
      minThreads: 0,
      maxThreads: this.atOnce,
      idleTimeout: IDLE_MS,
      // What is thrown away at once shall not pile up first.
      resourceLimits: { maxYoungGenerationSizeMb: 24 },
    });
  }
}
