import { randomUUID } from 'node:crypto';
import { mkdir, open, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Context } from 'koa';
import { storageProblem } from '../data/storage/storageProblems';
import { KnownProblem } from '../problems/problem';

const MOST_BYTES = 1024 ** 3;

/** Stores the body for as long as something is done with it. */
export async function withUpload<T>(
  context: Context,
  folder: string,
  work: (file: string) => Promise<T>,
): Promise<T> {
  const file = path.join(folder, `${randomUUID()}.upload`);
  try {
    await storeUpload(context, file);
    return await work(file);
  } finally {
    await rm(file, { force: true });
  }
}

/** Writes the body to a file as it comes. An upload that breaks off or is too large leaves nothing. */
export async function storeUpload(context: Context, file: string): Promise<number> {
  const packed = context.get('content-encoding');
  if (packed !== '' && packed !== 'identity')
    throw new KnownProblem(
      'wrong-encoding',
      `A file is taken as it is, not packed on the way (Content-Encoding: ${packed.slice(0, 40)}).`,
      'Send it without that head.',
    );
  await mkdir(path.dirname(file), { recursive: true });
  let bytes = 0;
  const measure = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes <= MOST_BYTES) return done(null, chunk);
      done(
        new KnownProblem(
          'too-large',
          'Files of more than 1 GB are not taken.',
          'Split the export by months.',
        ),
      );
    },
  });
  try {
    // Opened beforehand: a stream that opens by itself may make the file after it was removed below.
    const handle = await open(file, 'w');
    await pipeline(context.req, measure, handle.createWriteStream());
  } catch (error) {
    await rm(file, { force: true });
    const problem = error instanceof KnownProblem ? error : storageProblem(error);
    if (problem) throw problem;
    throw new KnownProblem(
      'broken-upload',
      'The upload broke off; nothing of it was kept.',
      'Upload the file again.',
      { cause: error },
    );
  }
  return (await stat(file)).size;
}
