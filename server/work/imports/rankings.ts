import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { JobProgress } from '@opsimath/contract/api/jobs';
import { writeTogether } from '../../data/storage/connection';
import { type ImportRow, importMark, rejectionStatements } from '../../data/imports';
import { progressStatement } from '../../data/jobs';
import { indexNewKeywords } from '../../data/keywordWords';
import { importedLookUp } from '../../data/lookUps';
import { setPoolSize } from '../../data/lookUpSteps';
import { type MarketRow, addressPlatforms } from '../../data/markets';
import { poolKeywords } from '../../data/pools';
import { mergeSmallSegments } from '../../data/segments/merge';
import { segmentStatements } from '../../data/segments/segments';
import { releaseImport } from '../../data/wholeImports';
import type { JobContext } from '../steps/context';
import { FileNumbers, subjectFinder } from './fileNumbers';
import { outcome } from './outcome';
import type { RankingsPart } from './rankingsColumns';
import { partSegments } from './rankingsSegments';
import type { ParserMessage, ParserTask } from './rankingsParser';

/**
 * Rankings from a file become a pool like that of a look-up. A thread of its own reads the file into columns while
 * this one stores the part before. Each row counts for the project's target that covers its address, else for its
 * host. Volumes, where the file gives them, are kept as metrics of the same date.
 */
export async function runRankingsImport(
  context: JobContext,
  entry: ImportRow,
  market: MarketRow,
  file: string,
  size: number,
): Promise<string | null> {
  const { database, progress, signal } = context;
  const lookUpId = await importedLookUp(database, entry, market.id);
  const subjectOf = await subjectFinder(database, entry.projectId);
  const dates = new Set<string>();
  const common = { marketId: market.id, source: entry.fileName, importId: entry.id, pending: true };
  const numbers = new FileNumbers();
  let kept = entry.rowsKept;
  let refused = entry.rowsRejected;
  progress.step('reading rows', size);
  const platforms = await addressPlatforms(database);
  const task = { file, reading: entry.reading, platforms, skip: entry.recordsRead };
  let bytesTold = 0;
  // What is read runs ahead of what is stored: nothing is told twice, and nothing taken back.
  const tellBytes = (bytes: number): JobProgress => {
    const more = Math.max(0, bytes - bytesTold);
    bytesTold += more;
    return progress.advance(more);
  };
  for await (const part of partsOf(task, tellBytes)) {
    signal.throwIfAborted();
    await numbers.take(database, market.id, part, subjectOf);
    const segments = partSegments(part, numbers);
    kept += part.day.length;
    await writeTogether(database, [
      ...segments.flatMap(({ columns, subject, ...head }) => {
        dates.add(head.date);
        return segmentStatements(
          {
            ...common,
            ...head,
            ...(head.kind === 'rankings' ? { lookUpId, subject } : { projectId: entry.projectId }),
          },
          columns,
        );
      }),
      ...rejectionStatements(entry.id, refused, part.rejected),
      importMark(entry.id, part.counts),
      progressStatement(context.jobId, tellBytes(part.bytes)),
    ]);
    refused += part.rejected.length;
    await context.people.makeWay();
  }
  // Once for all: in small pieces the word index would be merged again and again.
  signal.throwIfAborted();
  progress.step('indexing words', null);
  await indexNewKeywords(database);
  for (const date of dates)
    await mergeSmallSegments(database, {
      marketId: market.id,
      kind: 'rankings',
      date,
      lookUpId,
      pending: true,
    });
  await releaseImport(database, entry.id);
  await setPoolSize(database, lookUpId, (await poolKeywords(database, lookUpId)).length);
  return outcome(kept, refused);
}

/** Parts of the file as the parser's thread makes them; the thread ends with the last one, or when nobody listens. */
async function* partsOf(task: ParserTask, onRead: (bytes: number) => void): AsyncGenerator<RankingsPart> {
  const folder = path.dirname(fileURLToPath(import.meta.url));
  const parser = new Worker(path.join(folder, 'rankingsParser.js'), {
    workerData: task,
    // Its garbage is short-lived; left alone it would grow to hundreds of megabytes.
    resourceLimits: { maxYoungGenerationSizeMb: 24 },
  });
  const waiting: RankingsPart[] = [];
  let failure: Error | null = null;
  let wake: () => void = () => undefined;
  parser.on('message', (message: ParserMessage) => {
    if ('read' in message) onRead(message.read);
    else waiting.push(message.part);
    wake();
  });
  parser.on('error', (error) => {
    failure = error as Error;
    wake();
  });
  try {
    for (;;) {
      while (waiting.length === 0 && failure === null) await new Promise<void>((resolve) => (wake = resolve));
      if (failure !== null) throw failure as Error;
      const part = waiting.shift()!;
      yield part;
      if (part.last) return;
      parser.postMessage('stored');
    }
  } finally {
    await parser.terminate();
  }
}
