import type { JudgementStep } from '@opsimath/contract/api/judgements';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** A step of judging that the server does not have yet. */
export interface Waiting {
  /** Its place in the order in which they were given. */
  n?: number;
  project: number;
  step: JudgementStep;
}

interface Boxes extends DBSchema {
  judging: { key: number; value: Waiting };
}

let opened: Promise<IDBPDatabase<Boxes>> | null = null;
const open = (): Promise<IDBPDatabase<Boxes>> =>
  (opened ??= openDB<Boxes>('opsimath', 1, {
    upgrade: (database) => void database.createObjectStore('judging', { keyPath: 'n', autoIncrement: true }),
  }));

/** What waits to be sent, kept in the browser: it outlives a reload, a crash and a lost connection. */
export const outbox = {
  put: async (waiting: Waiting): Promise<number> => (await open()).add('judging', waiting),
  all: async (): Promise<Required<Waiting>[]> =>
    (await (await open()).getAll('judging')) as Required<Waiting>[],
  drop: async (numbers: readonly number[]): Promise<void> => {
    if (numbers.length === 0) return;
    const transaction = (await open()).transaction('judging', 'readwrite');
    await Promise.all(numbers.map((n) => transaction.store.delete(n)));
    await transaction.done;
  },
};
