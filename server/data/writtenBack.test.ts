import fc from 'fast-check';
import { key } from '@opsimath/core/text/key';
import { addedNote, namesIn } from './writtenBack';

describe('names in a cell', () => {
  const known = ['ask Ines', 'soon, but small', 'soon'].map((name) => ({ name }));
  test.each([
    ['ask Ines, soon', ['ask Ines', 'soon'], []],
    ['soon, but small, soon', ['soon, but small', 'soon'], []],
    ['Soon; ASK INES', ['soon', 'ask Ines'], []],
    ['later, soon', ['soon'], ['later']],
    [' , ;', [], []],
  ])('%j', (cell, names, strange) => {
    const read = namesIn(cell, known);
    expect([read.found.map(({ name }) => name), read.strange]).toEqual([names, strange]);
  });

  test('whatever is written is read back as it was written', () => {
    const name = fc.stringMatching(/^[a-z]{1,3}(, [a-z]{1,3})?$/);
    fc.assert(
      fc.property(fc.uniqueArray(name, { selector: key, maxLength: 4 }), (names) => {
        // Where names run into one another the longest wins; alone each is itself.
        for (const one of names) {
          const all = names.map((each) => ({ name: each }));
          expect(namesIn(one, all).found.map(({ name: found }) => found)).toEqual([one]);
        }
      }),
    );
  });
});

describe('what was added to notes', () => {
  const standing = ['too dear now (Ines, 2026-03-01)', 'now (Jo, 2026-03-02)', '=later\nagain (2026-03-03)'];
  const written = 'too dear now (Ines, 2026-03-01); now (Jo, 2026-03-02); =later again (2026-03-03)';
  test.each([
    [written, ''],
    [`${written}; ask the shop`, 'ask the shop'],
    [`ask the shop; ${written}`, 'ask the shop'],
    ['now (Jo, 2026-03-02)', ''],
    ['all new', 'all new'],
  ])('%j', (cell, added) => expect(addedNote(cell, standing)).toBe(added));
});
