import type { NoteSubject } from '@opsimath/contract/api/notes';

/**
 * Whether two notes are about the same thing. Words are compared as they were kept: in small letters. A note on a slot
 * goes with its keyword and address from one capture to the next.
 */
export function sameSubject(a: NoteSubject, b: NoteSubject): boolean {
  if (a.on === 'keyword' && b.on === 'keyword') return a.keyword === b.keyword;
  if (a.on === 'target' && b.on === 'target') return a.target === b.target;
  if (a.on === 'word' && b.on === 'word') return a.word.toLowerCase() === b.word.toLowerCase();
  if (a.on === 'slot' && b.on === 'slot') return a.keyword === b.keyword && a.address === b.address;
  return false;
}
