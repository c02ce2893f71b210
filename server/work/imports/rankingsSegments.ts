import { isoDayOf } from '@opsimath/core/day';
import type { Columns } from '../../data/segments/columns';
import type { FileNumbers } from './fileNumbers';
import type { RankingsPart } from './rankingsColumns';

/** What one segment of a part is to hold. */
export interface PartSegment {
  kind: 'rankings' | 'metrics';
  /** ISO day. */
  date: string;
  /** For whom rankings count; '' for metrics. */
  subject: string;
  rows: number;
  columns: Columns;
}

/**
 * Rankings of a part by day and subject, and volumes by day. Plain loops over columns: a callback for each of millions
 * of entries is what takes the time.
 */
export function partSegments(part: RankingsPart, numbers: FileNumbers): PartSegment[] {
  const { subjects } = numbers;
  const keyword = new Int32Array(part.keyword.length);
  const group = new Float64Array(part.keyword.length);
  for (let row = 0; row < keyword.length; row++) {
    keyword[row] = numbers.keyword[part.keyword[row]!]!;
    group[row] = part.day[row]! * subjects.length + numbers.subject[part.address[row]!]!;
  }
  const segments: PartSegment[] = [];
  for (const { name, rows } of groupsOf(group)) {
    segments.push({
      kind: 'rankings',
      date: isoDayOf(Math.floor(name / subjects.length)),
      subject: subjects[name % subjects.length]!,
      rows: rows.length,
      columns: pickRows(rows, keyword, numbers.place, part),
    });
  }
  for (let row = 0; row < group.length; row++) group[row] = part.volume[row]! < 0 ? -1 : part.day[row]!;
  for (const { name, rows } of groupsOf(group)) {
    if (name < 0) continue;
    const columns = volumeColumns(rows, keyword, part.volume);
    const count = columns.keyword!.length;
    segments.push({ kind: 'metrics', date: isoDayOf(name), subject: '', rows: count, columns });
  }
  return segments;
}

/** Rows by the group they are of, in two walks however many groups there are. */
function groupsOf(group: Float64Array): { name: number; rows: Int32Array }[] {
  const numbers = new Map<number, number>();
  const names: number[] = [];
  const counts: number[] = [];
  const numberOf = new Int32Array(group.length);
  for (let row = 0; row < group.length; row++) {
    const name = group[row]!;
    let number = numbers.get(name);
    if (number === undefined) {
      number = counts.push(0) - 1;
      numbers.set(name, number);
      names.push(name);
    }
    numberOf[row] = number;
    counts[number]!++;
  }
  const groups = names.map((name, number) => ({ name, rows: new Int32Array(counts[number]!) }));
  counts.fill(0);
  for (let row = 0; row < group.length; row++) {
    const number = numberOf[row]!;
    groups[number]!.rows[counts[number]!++] = row;
  }
  return groups;
}

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

/** Ids may be spread over so many places for each row before sorting them is quicker than a place for each. */
const SPREAD = 16;

/** One volume a keyword, ascending by keyword: of several rows of one keyword the last counts. */
function volumeColumns(rows: Int32Array, keyword: Int32Array, volume: Int32Array): Columns {
  let [least, most] = [Infinity, -Infinity];
  for (const row of rows) {
    least = Math.min(least, keyword[row]!);
    most = Math.max(most, keyword[row]!);
  }
  if (most - least > SPREAD * rows.length) return sparseVolumes(rows, keyword, volume);
  const last = new Int32Array(most - least + 1).fill(-1);
  for (const row of rows) last[keyword[row]! - least] = row;
  const ids = new Int32Array(rows.length);
  const volumes = new Int32Array(rows.length);
  let count = 0;
  for (let at = 0; at < last.length; at++) {
    if (last[at]! < 0) continue;
    ids[count] = least + at;
    volumes[count++] = volume[last[at]!]!;
  }
  return { keyword: ids.slice(0, count), volume: volumes.slice(0, count) };
}

function sparseVolumes(rows: Int32Array, keyword: Int32Array, volume: Int32Array): Columns {
  const last = new Map<number, number>();
  for (const row of rows) last.set(keyword[row]!, row);
  const ids = Int32Array.from(last.keys()).sort();
  return { keyword: ids, volume: ids.map((id) => volume[last.get(id)!]!) };
}
