import { KnownProblem } from '../../problems/problem';

/** Another program held the file for longer than anybody should wait. */
const BUSY = /SQLITE_(BUSY|LOCKED)/;
const FULL = /SQLITE_FULL|ENOSPC|EDQUOT/;
const READ_ONLY = /SQLITE_READONLY|EROFS|EACCES|EPERM/;
const DAMAGED = /SQLITE_(CORRUPT|NOTADB)/;
const FAILING = /SQLITE_(IOERR|CANTOPEN)|EIO/;

/** Codes of an error and of what caused it. */
function codesOf(error: unknown): string {
  const codes: string[] = [];
  for (let at = error; at instanceof Error && codes.length < 8; at = at.cause) {
    const { code, extendedCode } = at as { code?: unknown; extendedCode?: unknown };
    codes.push(String(code ?? ''), String(extendedCode ?? ''), at.message.slice(0, 200));
  }
  return codes.join(' ');
}

export function isBusy(error: unknown): boolean {
  return BUSY.test(codesOf(error));
}

/** What a failure of the disk or of the project file means for whoever waits; `null` for any other failure. */
export function storageProblem(error: unknown): KnownProblem | null {
  const codes = codesOf(error);
  const cause = { cause: error };
  if (FULL.test(codes))
    return new KnownProblem(
      'disk-full',
      'The disk is full: what was just done could not be stored.',
      'Make room on the disk that holds the data folder, then do it again.',
      cause,
    );
  if (DAMAGED.test(codes))
    return new KnownProblem(
      'damaged-file',
      'The project file is damaged.',
      'Stop the application and put the newest copy of the data folder in its place.',
      cause,
    );
  if (READ_ONLY.test(codes))
    return new KnownProblem(
      'read-only',
      'The data folder may not be written to.',
      'Give the application the right to write there, then start it again.',
      cause,
    );
  if (BUSY.test(codes))
    return new KnownProblem(
      'file-busy',
      'Another program is holding the project file, so nothing was stored.',
      'Close the program that reads or copies opsimath.db, then do it again.',
      cause,
    );
  if (FAILING.test(codes))
    return new KnownProblem(
      'disk-failing',
      'The disk did not do as it was told: what was just done could not be stored.',
      'Check the disk that holds the data folder.',
      cause,
    );
  return null;
}
