import { PROBLEMS } from '@opsimath/contract/api/problem';
import { storageProblem } from '../data/storage/storageProblems';
import {
  KnownProblem,
  UnforeseenProblem,
  asProblem,
  knownProblemOf,
  problemFrom,
  toProblem,
} from './problem';

test('what nobody foresaw shows a number and nothing of what it was', () => {
  const secret = 'SQLITE_ERROR: near "SELECT": syntax error';
  const problem = toProblem(new Error(secret));
  expect(problem).toBeInstanceOf(UnforeseenProblem);
  const told = asProblem(problem);
  expect(told.code).toBe('broken');
  expect(told.message).toMatch(/^Something unforeseen happened \(number [A-Z2-9]{6}\)\.$/);
  expect(JSON.stringify(told)).not.toContain('SELECT');
  expect((problem as UnforeseenProblem).stack).toContain(secret);
});

test('a known problem is found under what wrapped it, and goes from thread to thread as it is', () => {
  const known = new KnownProblem('changed-meanwhile', 'what', 'do this', { changed: ['front'] });
  const wrapped = new Error('Failed query: UPDATE …', { cause: new Error('middle', { cause: known }) });
  expect(knownProblemOf(wrapped)).toBe(known);
  const over = problemFrom(asProblem(known));
  expect(over).toMatchObject({ code: 'changed-meanwhile', status: 409, message: 'what', changed: ['front'] });
});

test('each code has a status that says whose fault it is', () => {
  for (const [code, { status, shown }] of Object.entries(PROBLEMS)) {
    expect(new KnownProblem(code as keyof typeof PROBLEMS, 'x').status).toBe(status);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(shown).toBe(code !== 'broken');
  }
});

test.each([
  ['SQLITE_FULL', 'disk-full'],
  ['ENOSPC', 'disk-full'],
  ['SQLITE_CORRUPT', 'damaged-file'],
  ['SQLITE_NOTADB', 'damaged-file'],
  ['SQLITE_READONLY', 'read-only'],
  ['SQLITE_BUSY', 'file-busy'],
  ['SQLITE_IOERR', 'disk-failing'],
])('%s is told as %s, also under what wrapped it', (code, expected) => {
  const error = new Error('Failed query', { cause: Object.assign(new Error('x'), { code }) });
  expect(storageProblem(error)).toMatchObject({ code: expected });
  expect(storageProblem(new Error('something else'))).toBeNull();
});
