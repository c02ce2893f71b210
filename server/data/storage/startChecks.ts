import { accessSync, constants, existsSync, statSync } from 'node:fs';
import path from 'node:path';
import { KnownProblem } from '../../problems/problem';
import type { Database } from './connection';

const FEW = 5;

/** What can be seen of a data folder before its file is opened. Throws when it cannot be used as it is. */
export function checkFolder(folder: string, file: string): void {
  if (existsSync(folder) && !statSync(folder).isDirectory())
    throw new KnownProblem(
      'damaged-file',
      `${folder} is a file, not a folder.`,
      'Choose another --data folder.',
    );
  if (existsSync(folder) && !mayWrite(folder))
    throw new KnownProblem(
      'read-only',
      `The data folder ${folder} may not be written to.`,
      'Give the application the right to write there, or choose another --data folder.',
    );
  const name = path.basename(file);
  if (!existsSync(file) && existsSync(`${file}-wal`) && statSync(`${file}-wal`).size > 0)
    throw new KnownProblem(
      'damaged-file',
      `${name} is missing from ${folder}, though its log ${name}-wal is there.`,
      'Put the file back beside its log, or move the log away to start with nothing.',
    );
  if (existsSync(file) && !mayWrite(file))
    throw new KnownProblem(
      'read-only',
      `${file} may not be written to.`,
      'Give the application the right to write to it.',
    );
}

function mayWrite(at: string): boolean {
  try {
    accessSync(at, constants.R_OK | constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

/**
 * Whether everything that was stored is there: each segment with columns, each column with all its blocks, each block
 * with its checksum. Throws what is missing. What the blocks hold is compared with the checksums when they are read.
 */
export async function checkSegments(database: Database): Promise<void> {
  const answer = await database.client.execute(
    `SELECT segment.id AS segment, count(part.name) AS parts,
            coalesce(max(part.holes), 0) AS holes, coalesce(min(part.sums), 0) AS sums
     FROM segment LEFT JOIN (
       SELECT segment_id, name, max(block) + 1 - count(*) AS holes, count(checksum) = count(*) AS sums
       FROM segment_column GROUP BY segment_id, name) AS part ON part.segment_id = segment.id
     WHERE superseded = 0
     GROUP BY segment.id HAVING parts = 0 OR holes > 0 OR sums = 0`,
  );
  if (answer.rows.length === 0) return;
  const some = answer.rows.slice(0, FEW).map(({ segment }) => String(segment));
  throw new KnownProblem(
    'damaged-file',
    `The project file is damaged: ${answer.rows.length} segments of facts are not whole (${some.join(', ')}${answer.rows.length > FEW ? '…' : ''}).`,
    'Put the newest copy of the data folder in its place.',
  );
}
