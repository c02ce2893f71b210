import { rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { setImmediate as turn } from 'node:timers/promises';
import { ArchiveCheck } from '../data/archive/checkArchive';
import { unpackedLines } from '../data/archive/unpackLines';
import { damaged } from '../data/archive/archiveLine';
import { ArchiveReader } from '../data/archive/readArchive';
import { writeTogether } from '../data/storage/connection';
import { endStatement } from '../data/jobs';
import { indexNewKeywords } from '../data/keywordWords';
import { emptyProject } from '../data/projects';
import { storageProblem } from '../data/storage/storageProblems';
import { KnownProblem } from '../problems/problem';
import type { JobContext } from './steps/context';

/**
 * Brings a project archive into the project that waits for it. The whole file is looked through before anything is
 * written; a job that was cut off begins again with an empty project. The end of the job is written with the last of
 * the project: one that was confirmed is never taken back. A file that is damaged leaves nothing behind (jobWorker).
 */
export async function runArchive(context: JobContext): Promise<string | null> {
  const { database, projectId, progress, jobId } = context;
  const file = path.join(context.filesFolder, String(context.request.storedAs));
  const found = await stat(file).catch(() => null);
  if (found === null) throw damaged('it is no longer here');
  try {
    progress.step('looking the archive through', found.size);
    const check = new ArchiveCheck();
    await eachLine(context, file, (line) => check.take(line));
    check.finish();
    progress.step('bringing in the archive', found.size);
    await emptyProject(database, projectId);
    const reader = new ArchiveReader(database, projectId);
    await eachLine(context, file, (line) => reader.take(line));
    await indexNewKeywords(database);
    await writeTogether(database, [endStatement(jobId, 'done', null)]);
  } catch (error) {
    // On a full disk it goes on once there is room; then the file is still wanted.
    if (storageProblem(error) !== null) throw error;
    await rm(file, { force: true });
    if (error instanceof KnownProblem || context.signal.aborted) throw error;
    throw damaged((error as Error).message.slice(0, 200));
  }
  await rm(file, { force: true });
  return null;
}

async function eachLine(
  { signal, progress }: JobContext,
  file: string,
  take: (line: string) => void | Promise<void>,
): Promise<void> {
  let told = 0;
  for await (const { line, bytesRead } of unpackedLines(file)) {
    signal.throwIfAborted();
    await take(line);
    progress.advance(bytesRead - told);
    told = bytesRead;
    // Other jobs of this thread have their turn between lines.
    await turn();
  }
}
