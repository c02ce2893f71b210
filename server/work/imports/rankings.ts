import { isoDayOf } from '@opsimath/core/day';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { type InStatement, writeTogether } from '../../data/storage/connection';
import { type ImportRow, importMark, rejectionStatements } from '../../data/imports';
import { progressStatement } from '../../data/jobs';
import { keywordIdsOfKeys } from '../../data/keywords';
import { indexNewKeywords } from '../../data/keywordWords';
import { importedLookUp } from '../../data/lookUps';
import { setPoolSize } from '../../data/lookUpSteps';
import { type MarketRow, addressPlatforms } from '../../data/markets';
import { parentOf, placeIdsByAddress } from '../../data/places';
import { poolKeywords } from '../../data/pools';
import { mergeSmallSegments } from '../../data/segments/merge';
import type { Columns } from '../../data/segments/columns';
import { segmentStatements } from '../../data/segments/segments';
import { releaseImport } from '../../data/wholeImports';
import { coveringTarget, listTargets } from '../../data/targets';
import type { JobContext } from '../steps/context';
import { outcome } from './outcome';
import type { ParserTask, RankingsPart } from './rankingsParser';

/** Parts between two additions to the word index. */
const WORDS_EVERY = 5;

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
  const subjectOf = await subjectFinder(context, entry.projectId);
  const dates = new Set<string>();
  let kept = entry.rowsKept;
  let refused = entry.rowsRejected;
  let bytesTold = 0;
  let parts = 0;
  progress.step('reading rows', size);
  const platforms = await addressPlatforms(database);
  const task = { file, reading: entry.reading, platforms, skip: entry.recordsRead };
  for await (const part of partsOf(task)) {
    signal.throwIfAborted();
    const statements = await partStatements(context, entry, market, lookUpId, part, subjectOf, dates);
    kept += part.day.length;
    await writeTogether(database, [
      ...statements,
      ...rejectionStatements(entry.id, refused, part.rejected),
      importMark(entry.id, part.counts),
      progressStatement(context.jobId, progress.advance(part.bytes - bytesTold)),
    ]);
    // Some parts at a time: in small pieces the word index would be merged again and again.
    if (++parts % WORDS_EVERY === 0) await indexNewKeywords(database);
    bytesTold = part.bytes;
    refused += part.rejected.length;
    await context.people.makeWay();
  }
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
async function* partsOf(task: ParserTask): AsyncGenerator<RankingsPart> {
  const folder = path.dirname(fileURLToPath(import.meta.url));
  const parser = new Worker(path.join(folder, 'rankingsParser.js'), {
    workerData: task,
    // Its garbage is short-lived; left alone it would grow to hundreds of megabytes.
    resourceLimits: { maxYoungGenerationSizeMb: 24 },
  });
  const waiting: RankingsPart[] = [];
  let failure: Error | null = null;
  let wake: () => void = () => undefined;
  parser.on('message', (part: RankingsPart) => {
    waiting.push(part);
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

/** For whom an address counts: the project's target that covers it, else its host. */
async function subjectFinder(
  { database }: JobContext,
  projectId: number,
): Promise<(address: string) => string> {
  const targets = await listTargets(database, projectId);
  const subjects = new Map<string, string>();
  return (address) => {
    let subject = subjects.get(address);
    if (subject === undefined) {
      const parent = parentOf(address);
      subject = coveringTarget(targets, address, parent)?.address ?? parent ?? address;
      subjects.set(address, subject);
    }
    return subject;
  };
}

async function partStatements(
  { database }: JobContext,
  entry: ImportRow,
  market: MarketRow,
  lookUpId: number,
  part: RankingsPart,
  subjectOf: (address: string) => string,
  dates: Set<string>,
): Promise<InStatement[]> {
  const ids = await idsOfKeys(database, market.id, part);
  const keyword = part.keyword.map((slot) => ids[slot]!);
  const placeByAddress = await placeIdsByAddress(database, part.addresses);
  const place = Int32Array.from(part.addresses, (address) => placeByAddress.get(address) ?? 0);
  const subjects = [...new Set(part.addresses.map(subjectOf))];
  const subject = Int32Array.from(part.addresses, (address) => subjects.indexOf(subjectOf(address)));
  const statements: InStatement[] = [];
  const common = { marketId: market.id, source: entry.fileName, importId: entry.id, pending: true };
  for (const { group, rows } of groupsOf(
    part,
    (row) => part.day[row]! * subjects.length + subject[part.address[row]!]!,
  )) {
    const date = isoDayOf(Math.floor(group / subjects.length));
    const address = subjects[group % subjects.length]!;
    dates.add(date);
    statements.push(
      ...segmentStatements(
        { ...common, date, kind: 'rankings', lookUpId, subject: address, rows: rows.length },
        pickRows(rows, keyword, place, part),
      ),
    );
  }
  for (const { group, rows } of groupsOf(part, (row) =>
    Number.isNaN(part.volume[row]!) ? -1 : part.day[row]!,
  )) {
    if (group < 0) continue;
    const columns = volumeColumns(rows, keyword, part.volume);
    const head = {
      ...common,
      date: isoDayOf(group),
      kind: 'metrics' as const,
      projectId: entry.projectId,
      rows: columns.keyword!.length,
    };
    statements.push(...segmentStatements(head, columns));
  }
  return statements;
}

/** Keyword ids in the order of a part's keys. They are given sorted: so the index is filled from one side to the other. */
async function idsOfKeys(
  database: JobContext['database'],
  marketId: number,
  { keys, texts }: RankingsPart,
): Promise<Int32Array> {
  const sorted = [...keys].sort();
  const places = new Map(sorted.map((own, place) => [own, place]));
  const slotAt = new Int32Array(keys.length);
  const placeOf = Int32Array.from(keys, (own, slot) => {
    const place = places.get(own)!;
    slotAt[place] = slot;
    return place;
  });
  const found = await keywordIdsOfKeys(
    database,
    marketId,
    sorted,
    (place) => texts[slotAt[place]!] ?? sorted[place]!,
  );
  return placeOf.map((place) => found[place]!);
}

/** Rows of a part by group, in one walk however many groups there are. */
function groupsOf(
  part: RankingsPart,
  groupOf: (row: number) => number,
): { group: number; rows: Int32Array }[] {
  const size = part.day.length;
  const numbers = new Map<number, number>();
  const groups: { group: number; rows: Int32Array }[] = [];
  const counts: number[] = [];
  const numberOf = new Int32Array(size);
  for (let row = 0; row < size; row++) {
    const group = groupOf(row);
    let number = numbers.get(group);
    if (number === undefined) {
      numbers.set(group, (number = counts.push(0) - 1));
      groups.push({ group, rows: new Int32Array(0) });
    }
    numberOf[row] = number;
    counts[number]!++;
  }
  groups.forEach((entry, number) => (entry.rows = new Int32Array(counts[number]!)));
  counts.fill(0);
  for (let row = 0; row < size; row++) {
    const number = numberOf[row]!;
    groups[number]!.rows[counts[number]!++] = row;
  }
  return groups;
}

/** Columns of some rows. Plain loops: a callback for each of millions of entries is what takes the time. */
function pickRows(rows: Int32Array, keyword: Int32Array, place: Int32Array, part: RankingsPart): Columns {
  const size = rows.length;
  const picked = {
    keyword: new Int32Array(size),
    place: new Int32Array(size),
    organic: new Uint8Array(size),
    paid: new Uint8Array(size),
  };
  for (let n = 0; n < size; n++) {
    const row = rows[n]!;
    picked.keyword[n] = keyword[row]!;
    picked.place[n] = place[part.address[row]!]!;
    picked.organic[n] = part.organic[row]!;
    picked.paid[n] = part.paid[row]!;
  }
  return picked;
}

/** More than a part has rows. */
const PACK = 2 ** 21;

/** One volume a keyword, ascending by keyword: of several rows of one keyword the last counts. */
function volumeColumns(rows: Int32Array, keyword: Int32Array, volume: Float64Array): Columns {
  const packed = new Float64Array(rows.length);
  for (let n = 0; n < rows.length; n++) packed[n] = keyword[rows[n]!]! * PACK + n;
  packed.sort();
  const ids = new Int32Array(rows.length);
  const volumes = new Int32Array(rows.length);
  let count = 0;
  for (let n = 0; n < packed.length; n++) {
    const id = Math.floor(packed[n]! / PACK);
    if (count > 0 && ids[count - 1] === id) count--;
    ids[count] = id;
    volumes[count++] = volume[rows[packed[n]! - id * PACK]!]!;
  }
  return { keyword: ids.slice(0, count), volume: volumes.slice(0, count) };
}
