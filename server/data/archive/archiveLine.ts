import { KnownProblem } from '../../problems/problem';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION } from './writeArchive';

/** One line of an archive. */
export function parse(text: string): Record<string, unknown> {
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value === 'object' && value !== null && !Array.isArray(value))
      return value as Record<string, unknown>;
  } catch {
    // Said below.
  }
  throw damaged('a line of it cannot be read');
}

/** Throws unless the first line says that this is an archive that can be read here. */
export function assertArchive(entry: Record<string, unknown>): void {
  if (entry.format !== ARCHIVE_FORMAT) throw damaged('it is no project archive');
  if (entry.version !== ARCHIVE_VERSION && entry.version !== 1)
    throw new KnownProblem(
      'other-version',
      `This archive is of version ${String(entry.version)}; versions 1 and ${ARCHIVE_VERSION} are read here.`,
      'Write it again with the same version of the application.',
    );
}

export function damaged(why: string): KnownProblem {
  return new KnownProblem(
    'damaged-archive',
    `This file cannot be brought in: ${why}.`,
    'Choose another file.',
  );
}
