import type { NoteSubject } from '@opsimath/contract/api/notes';
import { pictureAddress, pictureProblem } from './notePictures';
import { sameSubject } from './sameSubject';

const slot = (more: object): NoteSubject => ({
  on: 'slot',
  keyword: 3,
  date: '2026-03-14',
  address: 'a.example/x',
  ...more,
});

test.each<[NoteSubject, NoteSubject, boolean]>([
  [slot({}), slot({}), true],
  // What was noted on a result is not lost with the next capture.
  [slot({}), slot({ date: '2026-03-21' }), true],
  [slot({}), slot({ keyword: 4 }), false],
  [slot({}), slot({ address: 'a.example/y' }), false],
  [{ on: 'keyword', keyword: 3 }, { on: 'keyword', keyword: 3 }, true],
  [{ on: 'keyword', keyword: 3 }, { on: 'target', target: 3 }, false],
  [{ on: 'keyword', keyword: 3 }, slot({}), false],
  [{ on: 'word', word: 'Pannier' }, { on: 'word', word: 'pannier' }, true],
  [{ on: 'word', word: 'pannier' }, { on: 'word', word: 'panniers' }, false],
])('notes on %j and on %j are about the same: %s', (a, b, same) => {
  expect(sameSubject(a, b)).toBe(same);
  expect(sameSubject(b, a)).toBe(same);
});

test.each([
  ['image/png', 10, null],
  ['image/jpeg', 3_000_000, null],
  ['image/svg+xml', 10, /Only PNG/],
  ['text/html', 10, /Only PNG/],
  ['image/png', 3_400_000, /3\.4 MB; up to 3 MB/],
])('a file of %s with %i bytes', (type, size, why) => {
  const problem = pictureProblem({ type, size });
  if (why === null) expect(problem).toBeNull();
  else expect(problem).toMatch(why);
});

test('the picture of a note has an address of its own', () => {
  expect(pictureAddress(2, 7)).toBe('/api/projects/2/notes/7/picture');
});
