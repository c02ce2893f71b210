import fc from 'fast-check';
import { ACTIONS } from '../gap/action';
import { GAP_KINDS } from '../gap/kind';
import { reason } from '../gap/reason';
import { ABSENT, UNKNOWN } from '../ranking/position';
import { canonical } from './canonical';
import { difference } from './difference';
import { GLOSSARY } from '../glossary';
import { lastTwoMonths } from './months';
import { ofAnother } from './ofAnother';
import { oneParagraph, plainText, say, withPresentFigures } from './passages';
import { shown } from '../shown';
import { areTitled } from './titled';

describe('how values are spelled', () => {
  test.each([
    ['count', 12_345.4, undefined, '12,345'],
    ['share', 0.0643, undefined, '6.4 %'],
    ['share', 0.5, 0, '50 %'],
    ['money', 0.456, undefined, '0.46'],
    ['money', 4.56, undefined, '4.6'],
    ['money', 12_345.6, undefined, '12,346'],
    ['money', -0.001, undefined, '0.00'],
    ['decimal', 2, 2, '2.00'],
    ['position', 7, undefined, '7'],
    ['position', 'absent', undefined, 'absent'],
    ['day', '2026-03-14', undefined, '14 Mar 2026'],
    ['day', 'none', undefined, 'none'],
    ['text', '=1+1', undefined, '=1+1'],
    ['count', null, undefined, '–'],
  ] as const)('%s %s', (kind, value, digits, told) => expect(shown(kind, value, digits)).toBe(told));

  test('a figure that is spelled reads back as what it was, to its digits', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (value) => {
        const back = Number(shown('decimal', value, 3).replace(/,/g, ''));
        expect(Math.abs(back - value)).toBeLessThanOrEqual(0.000501);
      }),
    );
  });
});

describe('sentences with figures', () => {
  const all = { text: '12', figure: 'all' };
  test('words between figures are one run each', () => {
    expect(say`Of ${all} keywords ${'nine'} are near.`).toEqual({
      kind: 'paragraph',
      runs: [{ text: 'Of ' }, all, { text: ' keywords nine are near.' }],
    });
    expect(plainText(oneParagraph([say`One.`, say`Two ${all}.`]))).toBe('One. Two 12.');
  });

  test('worded by somebody, figures follow the data; one that is gone stays as it was and is a figure no more', () => {
    const worded = [{ kind: 'item' as const, runs: [all, { text: '7', figure: 'gone', bold: true }] }];
    expect(withPresentFigures(worded, { all: { shown: '15' } })).toEqual([
      {
        kind: 'item',
        runs: [
          { text: '15', figure: 'all' },
          { text: '7', bold: true },
        ],
      },
    ]);
  });

  test('a figure named like something every object has is none', () => {
    const worded = [{ kind: 'paragraph' as const, runs: [{ text: 'x', figure: 'constructor' }] }];
    expect(withPresentFigures(worded, {})[0]!.runs).toEqual([{ text: 'x' }]);
  });
});

test('equal values have one canonical text, whatever the order of their names', () => {
  const shuffled = (value: unknown): unknown =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(
          Object.entries(value)
            .reverse()
            .map(([name, part]) => [name, shuffled(part)]),
        )
      : Array.isArray(value)
        ? value.map(shuffled)
        : value;
  fc.assert(
    fc.property(fc.jsonValue(), (value) => {
      expect(canonical(shuffled(value))).toBe(canonical(value));
      expect(JSON.parse(canonical(value))).toEqual(JSON.parse(JSON.stringify(value)));
    }),
  );
});

describe('what happened between two kept comparisons', () => {
  const at = (
    keyword: string,
    kind: string,
    own: number | string = 'absent',
    demand: number | null = 10,
  ) => ({
    ...{ keyword, kind, own, demand },
  });
  test('closed, opened, come, gone; what nobody knows is neither', () => {
    const before = [
      at('closed', 'absent'),
      at('closed more', 'buried', 14, 90),
      at('opened', 'leading', 1),
      at('stays', 'trailing', 4),
      at('unseen', 'absent'),
      at('went', 'absent'),
    ];
    const after = [
      at('closed', 'alone', 2),
      at('closed more', 'leading', 1, 90),
      at('opened', 'trailing', 6),
      at('stays', 'buried', 12),
      at('unseen', 'unknown', 'unknown'),
      at('came', 'absent'),
      at('came well', 'alone', 1),
    ];
    const told = difference(before, after);
    expect(told.closed.map(({ keyword }) => keyword)).toEqual(['closed more', 'closed']);
    expect(told.opened).toMatchObject([
      { keyword: 'came', before: null, after: 'absent', ownBefore: null },
      { keyword: 'opened', before: 'leading', after: 'trailing', ownBefore: 1, ownAfter: 6 },
    ]);
    expect(told).toMatchObject({ came: 2, went: 1, both: 5 });
  });

  test('held against itself nothing happened; turned round, closed is opened', () => {
    const rows = fc.uniqueArray(
      fc.record({
        keyword: fc.string({ minLength: 1, maxLength: 4 }),
        kind: fc.constantFrom(...GAP_KINDS),
        own: fc.constantFrom<number | string>(3, 'absent'),
        demand: fc.option(fc.integer({ min: 0, max: 5 })),
      }),
      { selector: ({ keyword }) => keyword },
    );
    fc.assert(
      fc.property(rows, rows, (one, other) => {
        expect(difference(one, one)).toEqual({
          ...{ closed: [], opened: [], came: 0, went: 0, both: one.length },
        });
        const shared = new Set(other.map(({ keyword }) => keyword));
        const both = one.filter(({ keyword }) => shared.has(keyword));
        const names = (moved: { keyword: string }[]): string[] => moved.map(({ keyword }) => keyword).sort();
        const there = difference(both, other);
        const back = difference(
          other,
          one.filter(({ keyword }) => shared.has(keyword)),
        );
        expect(names(there.closed)).toEqual(names(back.opened));
        expect(there.came).toBe(other.length - both.length);
      }),
    );
  });
});

test.each([
  ['2026-03-14', '2026-02-01', '2026-02-28', '2026-01-01', '2026-01-31'],
  ['2026-03-31', '2026-03-01', '2026-03-31', '2026-02-01', '2026-02-28'],
  ['2026-01-05', '2025-12-01', '2025-12-31', '2025-11-01', '2025-11-30'],
  ['2024-02-29', '2024-02-01', '2024-02-29', '2024-01-01', '2024-01-31'],
])('the last two whole months by %s', (day, from, to, beforeFrom, beforeTo) =>
  expect(lastTwoMonths(day)).toEqual({ now: { from, to }, before: { from: beforeFrom, to: beforeTo } }),
);

describe('said of another', () => {
  test.each([
    ['We stand at 11, and a click is worth more.', 'It stands at 11, and a click is worth more.'],
    ['we are absent', 'it is absent'],
    ['3 of our pages share this result page', '3 of its pages share this result page'],
    ['no page of ours holds all its words', 'no page of its own holds all its words'],
    ['Our position', 'Its position'],
    ['a rival stands before us', 'a rival stands before it'],
    ['power weaving', 'power weaving'],
  ])('%s', (text, told) => expect(ofAnother(text)).toBe(told));

  test('no reason and no word of the glossary speaks of us any more', () => {
    for (const action of ACTIONS)
      for (const own of [12, ABSENT, UNKNOWN]) {
        const text = reason({
          ...{ action, own, ownPaid: 2, rivalsInFront: [1, 4], front: 10, ownTargets: 2, searches: 900 },
          ...{ frontPhrase: { results: 10, held: 4 }, asIs: 0.1, chance: 0.6, value: 20, currency: 'USD' },
          ...{ effort: 1, elsewhere: { won: { keywords: 2, clicks: 9 }, lost: { keywords: 1, clicks: 3 } } },
        });
        expect(ofAnother(text)).not.toMatch(/\b(we|us|ours?)\b/i);
      }
    for (const { meaning, inReport } of GLOSSARY)
      if (inReport) expect(ofAnother(meaning)).not.toMatch(/\b(we|us|ours?)\b/i);
  });
});

test('a table that stands alone needs no title beside the heading', () => {
  expect(areTitled([{ kind: 'text' }, { kind: 'table' }])).toBe(false);
  expect(areTitled([{ kind: 'chart' }, { kind: 'table' }])).toBe(true);
});
