import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Client, createClient } from '@libsql/client';
import { z } from 'zod';
import { KnownProblem } from '../../problems/problem';
import { isBusy } from './storageProblems';

const holder = z.object({ pid: z.number(), since: z.string(), address: z.string() });
type Holder = z.infer<typeof holder>;

/** A data folder held by this process alone. */
export interface HeldFolder {
  /** Says under which address this process can be found. */
  at(address: string): void;
  release(): void;
}

/**
 * Takes a data folder for this process. The lock is one of the operating system's, so a process that is killed leaves
 * none behind; a file beside it says who holds the folder.
 */
export async function holdFolder(folder: string): Promise<HeldFolder> {
  mkdirSync(folder, { recursive: true });
  const said = path.join(folder, 'held-by.json');
  const lock = createClient({
    url: pathToFileURL(path.resolve(folder, 'held.lock')).href,
    concurrency: 1,
    timeout: 0,
  });
  const transaction = await taken(lock, folder, said);
  const since = new Date().toISOString();
  const say = (address: string): void =>
    writeFileSync(said, JSON.stringify({ pid: process.pid, since, address } satisfies Holder));
  say('');
  return {
    at: say,
    release: () => {
      rmSync(said, { force: true });
      transaction.close();
      lock.close();
    },
  };
}

async function taken(lock: Client, folder: string, said: string): Promise<{ close(): void }> {
  try {
    const transaction = await lock.transaction('write');
    // Taken for good only by a write; it is never brought to an end.
    await transaction.execute('CREATE TABLE IF NOT EXISTS held (by TEXT)');
    return transaction;
  } catch (error) {
    if (!isBusy(error)) throw error;
    throw new KnownProblem(
      'in-use',
      `The data folder ${folder} is in use by ${whoHolds(said)}.`,
      'Stop that one first, or start this one with another --data folder.',
    );
  }
}

function whoHolds(said: string): string {
  try {
    const { pid, since, address } = holder.parse(JSON.parse(readFileSync(said, 'utf8')));
    return `process ${pid}${address ? `, which answers at ${address}` : ''} (since ${since.slice(0, 16).replace('T', ' ')})`;
  } catch {
    return 'another process';
  }
}
