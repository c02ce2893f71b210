import { createReadStream } from 'node:fs';
import { rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { createGunzip } from 'node:zlib';
import { ArchiveReader } from '../data/archive/readArchive';
import { indexNewKeywords } from '../data/keywordWords';
import { touchProject } from '../data/projects';
import { KnownProblem } from '../problem';
import type { JobContext } from './context';

/** Brings a project archive into the project that waits for it. One that is damaged leaves none behind (jobWorker). */
export async function runArchive(context: JobContext): Promise<string | null> {
  const { database, projectId, signal, progress } = context;
  const file = path.join(context.filesFolder, String(context.request.storedAs));
  const { size } = await stat(file);
  progress.step('bringing in the archive', size);
  const reader = new ArchiveReader(database, projectId);
  const packed = createReadStream(file);
  let told = 0;
  try {
    const unpacked = packed.pipe(createGunzip());
    const failed = new Promise<never>((_, reject) => unpacked.once('error', reject));
    const work = (async () => {
      for await (const line of createInterface({ input: unpacked, crlfDelay: Infinity })) {
        signal.throwIfAborted();
        await reader.take(line);
        progress.advance(packed.bytesRead - told);
        told = packed.bytesRead;
      }
    })();
    await Promise.race([work, failed]);
    reader.finish();
  } catch (error) {
    if (error instanceof KnownProblem || signal.aborted) throw error;
    throw new KnownProblem(
      'damaged-archive',
      `This file cannot be brought in: ${(error as Error).message}.`,
      'Choose another file.',
    );
  } finally {
    await rm(file, { force: true });
  }
  await indexNewKeywords(database);
  await touchProject(database, projectId);
  return null;
}
