import type { Position } from '@opsimath/contract/api/position';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { PoolRow } from '@opsimath/contract/api/pool';
import type { Target } from '@opsimath/contract/api/targets';
import type { SourceMarket } from '@opsimath/contract/source/answers';
import fc from 'fast-check';
import { rememberColumns, shownColumns } from './poolColumnNames';
import { readOrders, writeOrders } from '../../parts/table/orders';
import { bestOf, paidAt, positionAt, sidesOf } from '../../parts/pool/poolSides';
import { platformsOf, readPaste } from './readPaste';

const market = (over: Partial<SourceMarket>): SourceMarket => ({
  code: 'web-us-en',
  surface: 'web',
  place: 'US',
  placeName: 'United States',
  language: 'en',
  languageName: 'English',
  currency: 'USD',
  resultsPerPage: 10,
  depth: 100,
  platform: null,
  alphabet: 'ab',
  livePage: null,
  ...over,
});
const VIDEO = { host: 'vidlantern.example', target: '/watch/{id}', parent: '/on/{id}', id: 'vl-[a-z0-9]{7}' };
const SHOP = {
  host: 'stallbridge.example',
  target: '/item/{id}',
  parent: '/stall/{id}',
  id: 'sb-[a-z0-9]{8}',
};
const PLATFORMS = platformsOf([
  market({}),
  market({ code: 'video-us-en', surface: 'video', platform: VIDEO }),
  market({ code: 'video-gb-en', surface: 'video', platform: VIDEO }),
  market({ code: 'marketplace-us-en', surface: 'marketplace', platform: SHOP }),
]);

describe('the paste box', () => {
  test('a platform that several markets share is known once', () => {
    expect(PLATFORMS.map(({ host, surface }) => [host, surface])).toEqual([
      ['vidlantern.example', 'video'],
      ['stallbridge.example', 'marketplace'],
    ]);
  });

  test('any mixture is read, each line for itself, the same target once', () => {
    const { targets, problems, repeats } = readPaste(
      [
        'https://www.Cobblemoor.example/?utm_source=letter',
        '',
        'cobblemoor.example',
        'vl-pyhy6sy',
        'https://vidlantern.example/on/tarnwick/',
        'stallbridge.example/item/sb-epcc6hxm?ref=1',
        'no address at all',
        'dunmarrow.example/guides/*',
      ].join('\r\n'),
      PLATFORMS,
    );
    expect(targets.map(({ kind, address }) => [kind, address])).toEqual([
      ['site', 'cobblemoor.example'],
      ['video', 'vidlantern.example/watch/vl-pyhy6sy'],
      ['channel', 'vidlantern.example/on/tarnwick'],
      ['listing', 'stallbridge.example/item/sb-epcc6hxm'],
      ['section', 'dunmarrow.example/guides/*'],
    ]);
    expect(repeats).toBe(1);
    expect(problems).toEqual([{ line: 7, text: 'no address at all', reason: expect.any(String) }]);
  });

  test('whatever is pasted, every line that is not blank is a target, a repeat or a problem with its line', () => {
    const line = fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 320 }),
      fc.constantFrom('', '   ', 'saltfen.example', 'https://saltfen.example', '‮אבג', '🚲', 'vl-aaaaaaa'),
      fc.webUrl(),
    );
    fc.assert(
      fc.property(fc.array(line, { maxLength: 30 }), fc.constantFrom('\n', '\r\n', '\r'), (lines, end) => {
        const text = lines.map((entry) => entry.replace(/[\r\n]/g, ' ')).join(end);
        const { targets, problems, repeats } = readPaste(text, PLATFORMS);
        const filled = text.split(/\r\n|[\r\n]/).filter((entry) => entry.trim() !== '');
        expect(targets.length + problems.length + repeats).toBe(filled.length);
        expect(new Set(targets.map(({ address }) => address)).size).toBe(targets.length);
        for (const problem of problems) {
          expect(
            text
              .split(/\r\n|[\r\n]/)
              [problem.line - 1]!.trim()
              .slice(0, 60),
          ).toBe(problem.text);
          expect(problem.reason).not.toBe('');
        }
      }),
    );
  });

  test('a target that was read is read again as itself', () => {
    fc.assert(
      fc.property(fc.webUrl(), (url) => {
        for (const { address } of readPaste(url, PLATFORMS).targets)
          expect(readPaste(address, PLATFORMS).targets.map((target) => target.address)).toEqual([address]);
      }),
    );
  });
});

describe('orders of a pool in the address', () => {
  const sort = fc.constantFrom('volume', 'keyword', 'words', 'best', 'cpc');
  const order = fc.record({ sort, descending: fc.boolean() });

  test('are read as they were written', () => {
    fc.assert(
      fc.property(fc.uniqueArray(order, { selector: (entry) => entry.sort, minLength: 1 }), (orders) => {
        const text = orders.reduce((so, pressed) => writeOrders(readOrders(so), pressed, true), '');
        expect(readOrders(text)).toEqual(orders);
      }),
    );
  });

  test('a head pressed alone is the only order; with others it joins them, or turns where it stands', () => {
    const orders = readOrders('-volume,words');
    expect(writeOrders(orders, { sort: 'cpc', descending: true }, false)).toBe('-cpc');
    expect(writeOrders(orders, { sort: 'cpc', descending: true }, true)).toBe('-volume,words,-cpc');
    expect(writeOrders(orders, { sort: 'volume', descending: false }, true)).toBe('volume,words');
    expect(readOrders('')).toEqual([]);
  });
});

describe('who stands where in a pool', () => {
  const target = (side: 'own' | 'rival', address: string, name: string): Target =>
    ({ side, address, name }) as Target;
  const roster = [
    target('own', 'tarnwick.example', 'Tarnwick'),
    target('rival', 'cobblemoor.example', 'Cobblemoor'),
    target('rival', 'saltfen.example', 'Saltfen'),
  ];

  test('rivals keep their letter and hue whichever of them were looked up; strangers come after them', () => {
    const { own, ownName, others } = sidesOf(
      { targets: ['rovelot.example', 'saltfen.example', 'tarnwick.example', 'tarnwick.example/range'] },
      roster,
      10,
    );
    expect({ own, ownName }).toEqual({ own: [2, 3], ownName: 'Tarnwick' });
    expect(others).toEqual([
      { index: 0, name: 'rovelot.example', letter: 'R', hue: 2 },
      { index: 1, name: 'Saltfen', letter: 'S', hue: 1 },
    ]);
  });

  test('no two of them share a letter', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.domain(), { minLength: 1, maxLength: 12 }), (targets) => {
        const { others } = sidesOf({ targets }, roster, 10);
        expect(new Set(others.map(({ letter }) => letter)).size).toBe(others.length);
      }),
    );
  });

  test('what was looked up comes before what was captured; absent is said only by a capture', () => {
    const row = {
      organic: [3, null, null],
      captured: [9, 'absent', null],
      paid: [null, 2],
    } as unknown as PoolRow;
    expect([0, 1, 2, 3].map((at) => positionAt(row, at))).toEqual([3, 'absent', 'unknown', 'unknown']);
    expect([0, 1, 2].map((at) => paidAt(row, at))).toEqual(['unknown', 2, 'unknown']);
  });

  test('the best of several is the smallest; absent only when somebody looked and nobody ranks', () => {
    const position: fc.Arbitrary<Position> = fc.oneof(
      fc.integer({ min: 1, max: 100 }),
      fc.constant('absent' as const),
      fc.constant('unknown' as const),
    );
    fc.assert(
      fc.property(fc.array(position, { maxLength: 6 }), (positions) => {
        const places = positions.filter((entry) => typeof entry === 'number');
        const expected =
          places.length > 0 ? Math.min(...places) : positions.includes('absent') ? 'absent' : 'unknown';
        expect(bestOf(positions)).toBe(expected);
      }),
    );
  });
});

describe('columns that are shown', () => {
  const kept = new Map<string, string>();
  beforeAll(() => {
    globalThis.localStorage = {
      getItem: (name: string) => kept.get(name) ?? null,
      setItem: (name: string, value: string) => void kept.set(name, value),
    } as Storage;
  });
  beforeEach(() => kept.clear());

  test('the address comes first, then what was chosen last in this project, then the usual ones', () => {
    const rivals = { kind: 'targets', targets: [1, 2] } as unknown as LookUp;
    const usual = shownColumns(1, [], rivals);
    expect(usual).toContain('lane');
    rememberColumns(1, ['words', 'volume']);
    expect(shownColumns(1, [], rivals)).toEqual(['volume', 'words']);
    expect(shownColumns(2, [], rivals)).toEqual(usual);
    expect(shownColumns(1, ['cpc', 'nonsense', 'found'], rivals)).toEqual(['found', 'cpc']);
  });

  test('how it was found is on where seeds were looked up, the page that ranks where one target was', () => {
    const of = (kind: string, targets: number) =>
      shownColumns(3, [], { kind, targets: Array(targets).fill({}) } as unknown as LookUp);
    expect(of('seeds', 0)).toEqual(expect.arrayContaining(['found', 'appearances']));
    expect(of('targets', 1)).toContain('page');
    expect(of('targets', 2)).not.toContain('page');
  });
});
