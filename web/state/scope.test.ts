import { action, gapKind, gapMark, gapSort, heldName, paidState } from '@opsimath/contract/api/gapQuery';
import { FOUND_BY } from '@opsimath/contract/api/foundBy';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import fc from 'fast-check';
import { type Scope, readScope, scopeDefaults, writeScope } from './scope';

const known = {
  markets: [{ code: 'web-us-en' }],
  today: '2026-03-14',
  dates: [
    { date: '2026-03-14', captures: 100, rankings: 5 },
    { date: '2026-03-07', captures: 4, rankings: 0 },
    { date: '2025-12-20', captures: 90, rankings: 0 },
    { date: '2025-12-10', captures: 3, rankings: 0 },
  ],
};

test('what is written into an address is read back', () => {
  const isoDay = fc
    .date({ min: new Date('2000-01-01'), max: new Date('2099-12-31'), noInvalidDate: true })
    .map((date) => date.toISOString().slice(0, 10));
  const id = fc.option(fc.integer({ min: 1, max: 1e9 }));
  const scopes: fc.Arbitrary<Scope> = fc.record({
    market: fc.constantFrom('', 'web-us-en'),
    date: fc.oneof(fc.constant(''), isoDay),
    compare: fc.oneof(fc.constant(''), fc.constant('none'), isoDay),
    own: fc.constantFrom('28 days', 'last month', '2026-01-01..2026-02-03'),
    pool: id,
    open: id,
    round: id,
    task: id,
    draft: id,
    report: id,
    frozen: id,
    against: id,
    work: fc.constantFrom('', 'retitle:tarnwick.example/a:12'),
    lookUp: id,
    poolSort: fc.constantFrom('', '-volume', 'keyword', '-words,keyword'),
    poolFind: fc.string({ maxLength: 12 }),
    poolWords: fc.string({ maxLength: 12 }),
    poolMode: fc.constantFrom('any word' as const, 'all words' as const, 'phrase' as const),
    poolFound: fc.subarray([...FOUND_BY]),
    poolWithout: fc.string({ maxLength: 12 }),
    recipe: id,
    columns: fc.subarray(['volume', 'lane', 'cpc']),
    siftColumns: fc.subarray(['purpose', 'language']),
    into: fc.constantFrom('' as const, 'en' as const, 'es' as const),
    view: fc.constantFrom('', 'find', 'seeds'),
    target: id,
    seed: fc.string({ maxLength: 20 }),
    kinds: fc.uniqueArray(fc.constantFrom(...gapKind.options)),
    paid: fc.uniqueArray(fc.constantFrom(...paidState.options)),
    marks: fc.uniqueArray(fc.constantFrom(...gapMark.options)),
    find: fc.string(),
    list: id,
    only: fc.constantFrom('' as const, 'tracked' as const),
    rivals: fc.uniqueArray(fc.integer({ min: 1, max: 1e6 }), { maxLength: 3 }),
    bands: fc.subarray([...DEPTH_BANDS]),
    pageKinds: fc.subarray([...PAGE_KINDS]),
    names: fc.subarray([...heldName.options]),
    purposes: fc.subarray([...PURPOSES]),
    verdicts: fc.subarray([...VERDICTS]),
    actions: fc.subarray([...action.options]),
    limits: fc.constantFrom('', 'chance:0.2..0.6', 'volume:100..?,spread:..3'),
    inList: id,
    cluster: id,
    answering: fc.constantFrom('', 'tarnwick.example/fell'),
    by: fc.constantFrom('' as const, 'cluster' as const, 'action' as const),
    lines: fc.constantFrom('' as const, 'apart' as const),
    opened: fc.uniqueArray(fc.integer({ min: 1, max: 1e6 }), { maxLength: 3 }),
    gapColumns: fc.subarray(['cpc', 'difficulty']),
    sort: fc
      .subarray([...gapSort.options], { minLength: 1, maxLength: 3 })
      .map((names) => names.map((name, n) => (n % 2 ? name : `-${name}`)).join(',')),
  });
  fc.assert(
    fc.property(scopes, (scope) => {
      const params = writeScope(new URLSearchParams('other=kept'), scope);
      expect(readScope(new URLSearchParams(params.toString()))).toEqual(scope);
      expect(params.get('other')).toBe('kept');
    }),
  );
});

test('an address that makes no sense is as if it were not there', () => {
  expect(
    readScope(new URLSearchParams('date=soon&pool=-4&kinds=absent,nonsense&sort=-colour&open=1e9')),
  ).toMatchObject({
    date: '',
    pool: null,
    kinds: ['absent'],
    sort: '-priority',
    open: null,
    work: '',
  });
});

test('what is left open: first market, newest date, the broadest captures a quarter before', () => {
  expect(scopeDefaults(readScope(new URLSearchParams()), known)).toEqual({
    market: 'web-us-en',
    date: '2026-03-14',
    compare: '2025-12-20',
  });
  const chosen = new URLSearchParams('market=web-us-en&date=2026-03-07&compare=none');
  expect(scopeDefaults(readScope(chosen), known)).toEqual({});
  expect(scopeDefaults(readScope(new URLSearchParams()), { ...known, dates: [] })).toEqual({
    market: 'web-us-en',
    date: '2026-03-14',
  });
});
