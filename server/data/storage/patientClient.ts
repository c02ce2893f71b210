import { setTimeout as pause } from 'node:timers/promises';
import type { Client, InArgs, InStatement, ResultSet, Transaction } from '@libsql/client';
import { isBusy, storageProblem } from './storageProblems';
import type { WriteTurn } from './writeTurn';

/** How long another program may hold the file before somebody is told. */
const PATIENCE_MS = 30_000;
const LOOK_AGAIN_MS = 100;

/**
 * A connection that waits without standing still. Writes of all threads go one after another; each is a transaction of
 * its own that takes the file before it does anything. A statement that failed may stay open inside the driver, and
 * everything after it would be written where nobody else sees it: so after a failure the connection is made anew.
 */
export class PatientClient {
  /** Set while a transaction of several steps is open: others of this thread wait for its end. */
  private open: Promise<void> | null = null;

  private constructor(
    private readonly inner: Client,
    private readonly turn: WriteTurn,
    private readonly settings: readonly string[],
    private readonly patienceMs: number,
  ) {}

  static async over(
    inner: Client,
    turn: WriteTurn,
    settings: readonly string[],
    patienceMs = PATIENCE_MS,
  ): Promise<PatientClient> {
    const client = new PatientClient(inner, turn, settings, patienceMs);
    await client.reading(() => client.prepare());
    return client;
  }

  execute(statement: InStatement, args?: InArgs): Promise<ResultSet> {
    const asked = typeof statement === 'string' ? { sql: statement, args: args ?? [] } : statement;
    return isReading(asked.sql)
      ? this.reading(() => this.inner.execute(asked))
      : this.writing(async () => (await this.inner.batch([asked], 'write'))[0]!);
  }

  batch(
    statements: (InStatement | [string, InArgs?])[],
    mode: 'write' | 'read' | 'deferred' = 'write',
  ): Promise<ResultSet[]> {
    return mode === 'read'
      ? this.reading(() => this.inner.batch(statements, mode))
      : this.writing(() => this.inner.batch(statements, 'write'));
  }

  migrate(statements: InStatement[]): Promise<ResultSet[]> {
    return this.writing(() => this.inner.migrate(statements));
  }

  /** Several steps that stand together or not at all. What is given is the only way to the file until they end. */
  together<T>(steps: (transaction: Transaction) => Promise<T>): Promise<T> {
    return this.turn.run(async () => {
      let ended: () => void = () => undefined;
      // From here on, not only once it stands: the connection is its own from the moment it is asked for.
      this.open = new Promise((resolve) => (ended = resolve));
      try {
        const transaction = await this.patiently(() => this.inner.transaction('write'));
        try {
          const result = await steps(transaction);
          await transaction.commit();
          return result;
        } finally {
          transaction.close();
        }
      } catch (error) {
        throw storageProblem(error) ?? error;
      } finally {
        this.open = null;
        ended();
      }
    });
  }

  /** Writes everything that stands in the log into the file and empties the log, as far as nobody is reading it. */
  async checkpoint(): Promise<void> {
    await this.writing(() => this.inner.execute('PRAGMA wal_checkpoint(TRUNCATE)'));
  }

  close(): void {
    this.inner.close();
  }

  private async reading<T>(work: () => Promise<T>): Promise<T> {
    while (this.open !== null) await this.open;
    return this.patiently(work);
  }

  private writing<T>(work: () => Promise<T>): Promise<T> {
    return this.turn.run(() => this.patiently(work));
  }

  private async patiently<T>(work: () => Promise<T>): Promise<T> {
    const until = performance.now() + this.patienceMs;
    for (;;) {
      try {
        return await work();
      } catch (error) {
        const problem = storageProblem(error);
        if (problem === null) throw error;
        await this.renew();
        if (!isBusy(error) || performance.now() > until) throw problem;
        await pause(LOOK_AGAIN_MS);
      }
    }
  }

  /** Another connection in place of one on which something failed. */
  private async renew(): Promise<void> {
    await (this.inner as unknown as { reconnect(): Promise<void> }).reconnect();
    await this.prepare().catch(() => undefined);
  }

  private async prepare(): Promise<void> {
    for (const setting of this.settings) await this.inner.execute(setting);
  }
}

function isReading(sql: string): boolean {
  if (/^\s*(SELECT|PRAGMA|EXPLAIN|VALUES)\b/i.test(sql)) return true;
  return /^\s*WITH\b/i.test(sql) && !/\b(INSERT|UPDATE|DELETE|REPLACE)\b/i.test(sql);
}
