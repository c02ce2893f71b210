import { mkdirSync, readdirSync, utimesSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createImport, startImport } from '../data/imports';
import { createJob, noteStart, progressStatement, NO_PROGRESS, jobById } from '../data/jobs';
import { writeTogether } from '../data/storage/connection';
import { createProject } from '../data/projects';
import { temporaryDatabase } from '../testing/database';
import { removeOldUploads } from './oldUploads';
import type { FileReading } from '@opsimath/contract/api/imports';

const HOUR_MS = 3_600_000;
const READING: FileReading = {
  kind: 'performance',
  format: 'delimited',
  remembered: false,
  encoding: 'utf-8',
  delimiter: ',',
  headerLine: 1,
  headers: [],
  columns: {},
  decimalComma: false,
  dateOrder: 'year first',
  fixedDate: null,
};

test('uploads that nothing waits for go after a day; those of unfinished work stay', async () => {
  const { database, file, remove } = await temporaryDatabase();
  const folder = path.join(path.dirname(file), 'files');
  mkdirSync(folder);
  const { id: projectId } = await createProject(database, 'Test');
  const upload = async (name: string, ageHours: number, started: boolean): Promise<void> => {
    const at = path.join(folder, name);
    writeFileSync(at, 'x');
    const then = (Date.now() - ageHours * HOUR_MS) / 1000;
    utimesSync(at, then, then);
    const entry = {
      projectId,
      fileName: name,
      storedAs: name,
      bytes: 1,
      kind: 'performance',
      reading: READING,
    };
    const id = await createImport(database, entry);
    if (!started) return;
    const jobId = await createJob(database, projectId, 'import', { importId: id });
    await startImport(database, id, { marketId: 1, jobId, kind: 'performance', reading: READING });
  };
  await upload('new', 2, false);
  await upload('old', 25, false);
  await upload('wanted', 48, true);
  writeFileSync(path.join(folder, 'half.upload.table'), 'x');
  utimesSync(path.join(folder, 'half.upload.table'), 0, 0);
  expect((await removeOldUploads(database, folder)).sort()).toEqual(['half.upload.table', 'old']);
  expect(readdirSync(folder).sort()).toEqual(['new', 'wanted']);
  remove();
});

test('starts of a job are counted until it comes on', async () => {
  const { database, remove } = await temporaryDatabase();
  const { id: projectId } = await createProject(database, 'Test');
  const id = await createJob(database, projectId, 'captures', {});
  expect([await noteStart(database, id), await noteStart(database, id)]).toEqual([1, 2]);
  await writeTogether(database, [progressStatement(id, NO_PROGRESS)]);
  expect((await jobById(database, id)).restarts).toBe(0);
  expect(await noteStart(database, id)).toBe(1);
  remove();
});
