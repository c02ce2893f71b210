import { copyFileSync, mkdtempSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { createClient } from '@libsql/client';
import { startServer } from '../../../scripts/programs.mjs';
import { temporaryDatabase } from '../../testing/database';
import { Running } from '../../testing/running';
import { openDatabase } from './connection';
import { WriteTurn } from './writeTurn';

/** What was confirmed is in the file, whatever else holds the file, and whoever copies it has all of it. */

const FOREIGN_LOCK_MS = 15_000;

async function heldBySomebodyElse(file: string): Promise<{ release: () => Promise<void> }> {
  const other = createClient({ url: `file:${file}`, concurrency: 1 });
  const transaction = await other.transaction('write');
  await transaction.execute("INSERT INTO project (name, settings) VALUES ('foreign', '{}')");
  return {
    release: async () => {
      await transaction.rollback();
      other.close();
    },
  };
}

describe('a file that another program holds', () => {
  test('is waited for; what is written then is seen by everybody', async () => {
    const { database, file, remove } = await temporaryDatabase();
    const second = await openDatabase(file);
    const held = await heldBySomebodyElse(file);
    const insert = (name: string) =>
      database.client.execute({
        sql: "INSERT INTO project (name, settings) VALUES (?, '{}') RETURNING id",
        args: [name],
      });
    const writing = [insert('one'), insert('two'), insert('three')];
    const reading = await database.client.execute('SELECT count(*) AS n FROM project');
    expect(reading.rows[0]!.n).toBe(0);
    await held.release();
    await Promise.all(writing);
    const names = await second.client.execute('SELECT name FROM project ORDER BY id');
    expect(names.rows.map(({ name }) => name)).toEqual(['one', 'two', 'three']);
    second.client.close();
    remove();
  });

  test('is not waited for without end: then it is said, and the connection is sound', async () => {
    const { database, file, remove } = await temporaryDatabase();
    const hasty = await openDatabase(file, new WriteTurn(), 300);
    const held = await heldBySomebodyElse(file);
    const insert = "INSERT INTO project (name, settings) VALUES ('x', '{}') RETURNING id";
    await expect(hasty.client.execute(insert)).rejects.toMatchObject({ code: 'file-busy', status: 503 });
    await held.release();
    await hasty.client.execute(insert);
    expect((await database.client.execute('SELECT count(*) AS n FROM project')).rows[0]!.n).toBe(1);
    hasty.client.close();
    remove();
  });

  test('for a quarter of a minute holds up no answer and loses none', async () => {
    const running = await Running.start();
    const { id } = await running.api.post('/projects', { name: 'Before' });
    const held = await heldBySomebodyElse(path.join(running.folder, 'opsimath.db'));
    const renaming = running.api.patch(`/projects/${id}`, { name: 'After' });
    expect((await running.api.get(`/projects/${id}`)).name).toBe('Before');
    // This long is what is promised.
    await pause(FOREIGN_LOCK_MS);
    await held.release();
    expect((await renaming).name).toBe('After');
    await running.crashAndRestart();
    expect((await running.api.get(`/projects/${id}`)).name).toBe('After');
    await running.stop();
  });
});

test('steps that stand together stand all or not at all, and others wait for them', async () => {
  const { database, remove } = await temporaryDatabase();
  const add = (to: typeof database, name: string) =>
    to.client.execute({ sql: "INSERT INTO project (name, settings) VALUES (?, '{}')", args: [name] });
  const failing = database.together(async (steps) => {
    await add(steps, 'half');
    await Promise.resolve();
    throw new Error('no');
  });
  const beside = add(database, 'beside');
  await expect(failing).rejects.toThrow('no');
  await beside;
  await database.together(async (steps) => {
    await add(steps, 'first');
    await steps.together((within) => add(within, 'second'));
  });
  const names = await database.client.execute('SELECT name FROM project ORDER BY id');
  expect(names.rows.map(({ name }) => name)).toEqual(['beside', 'first', 'second']);
  remove();
});

test('whoever reads while steps stand together waits, at whatever moment it asks', async () => {
  const { database, remove } = await temporaryDatabase();
  let reads = 0;
  const read = async (): Promise<void> => {
    await database.client.execute('SELECT count(*) FROM project');
    reads++;
  };
  for (let round = 0; round < 30; round++) {
    const writing = database.together(async (steps) => {
      await steps.client.execute("INSERT INTO project (name, settings) VALUES ('x', '{}')");
    });
    const reading = [read()];
    // Between any two turns of the event loop.
    for (let turn = 0; turn < 12; turn++) {
      await Promise.resolve();
      reading.push(read());
    }
    await Promise.all([writing, ...reading]);
  }
  expect(reads).toBe(30 * 13);
  remove();
});

describe('a data folder', () => {
  /** Starts on a folder and gives what was said when it did not. */
  async function refusal(folder: string): Promise<string> {
    try {
      const server = await startServer(['--port', '0', '--data', folder]);
      await server.stop();
      return '';
    } catch (error) {
      return (error as Error).message;
    }
  }

  test('is held by one server; a second says by whom and stops', async () => {
    const running = await Running.start();
    const said = await refusal(running.folder);
    expect(said).toContain(
      `is in use by process ${running.server.pid}, which answers at ${running.server.url}`,
    );
    expect(said).not.toMatch(/\n\s+at /);
    // One that was killed leaves nothing in the way.
    await running.crashAndRestart();
    await running.stop();
  });

  test('after a stop is whole in its one file', async () => {
    const running = await Running.start();
    const { id } = await running.project();
    await running.server.stop();
    const file = path.join(running.folder, 'opsimath.db');
    expect(statSync(`${file}-wal`, { throwIfNoEntry: false })?.size ?? 0).toBe(0);
    const copied = mkdtempSync(path.join(tmpdir(), 'opsimath-copy-'));
    copyFileSync(file, path.join(copied, 'opsimath.db'));
    const server = await startServer(['--port', '0', '--data', copied, '--services', running.services.url]);
    const targets = (await (await fetch(`${server.url}/api/projects/${id}/targets`)).json()) as unknown[];
    expect(targets).toHaveLength(3);
    await server.stop();
    await running.services.stop();
    for (const folder of [copied, running.folder]) rmSync(folder, { recursive: true });
  });

  test.each([
    [
      'that is damaged',
      (file: string) => {
        writeFileSync(file, 'this is no database, though it is long enough to be looked at '.repeat(100));
      },
      /file is damaged/,
    ],
    [
      'whose file is missing beside its log',
      (file: string) => {
        writeFileSync(`${file}-wal`, 'log');
      },
      /is missing from/,
    ],
    [
      'that lost a part of its facts',
      async (file: string) => {
        const { database, file: made, remove } = await temporaryDatabase();
        await database.client.execute(
          "INSERT INTO segment (market_id, kind, source, date, rows) VALUES (1, 'metrics', 'x', '2026-01-01', 3)",
        );
        await database.checkpoint();
        copyFileSync(made, file);
        remove();
      },
      /1 segments of facts are not whole/,
    ],
    [
      'that was cut off',
      async (file: string) => {
        const { database, file: made, remove } = await temporaryDatabase();
        await database.checkpoint();
        copyFileSync(made, file);
        remove();
        truncateSync(file, 20_000);
      },
      /file is damaged/,
    ],
  ])('%s is refused in a sentence that says what to do', async (_, make, expected) => {
    const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-start-'));
    await make(path.join(folder, 'opsimath.db'));
    const said = await refusal(folder);
    expect(said).toMatch(expected);
    expect(said).not.toMatch(/\n\s+at /);
    rmSync(folder, { recursive: true });
  });
});
