import { keywordKeys } from './keywordKeys';
import { key, words } from '@opsimath/core/text/key';
import { stem } from '@opsimath/core/text/stems';
import fc from 'fast-check';
import { temporaryDatabase } from '../testing/database';
import {
  keywordIdRange,
  keywordIds,
  keywordIdsByStems,
  keywordIdsContaining,
  keywordIdsOf,
  keywordsById,
  keywordIdsByKey,
  keywordsByKey,
} from './keywords';
import { indexNewKeywords, keywordIdsHolding } from './keywordWords';

const MARKET = 1;
let temporary: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeEach(async () => {
  temporary = await temporaryDatabase();
});
afterEach(() => temporary.remove());
const database = () => temporary.database;

const VOCABULARY = [
  'bike',
  'bikes',
  'bag',
  'rain',
  'cover',
  'für',
  'l’été',
  '30l',
  'día',
  '袋',
  'a%b',
  'under_score',
];
const text = fc
  .array(fc.constantFrom(...VOCABULARY), { minLength: 1, maxLength: 4 })
  .chain((parts) =>
    fc.constantFrom(
      parts.join(' '),
      ` ${parts.join('  ')} `,
      parts.join(' ').toUpperCase(),
      `${parts.join(' ')}!`,
    ),
  );
const someTexts = fc.array(text, { minLength: 1, maxLength: 40 });

/** A market’s keywords as a plain map: what the table should be. */
class Model {
  readonly texts = new Map<string, string>();
  add(given: readonly string[]): void {
    for (const entry of given) {
      const identity = key(entry);
      if (identity !== '' && !this.texts.has(identity)) this.texts.set(identity, entry.trim());
    }
  }
}

test('the same key has the same id however often and in however many pieces it comes; the first text stays', async () => {
  const model = new Model();
  const known = new Map<string, number>();
  await fc.assert(
    fc.asyncProperty(someTexts, async (texts) => {
      model.add(texts);
      const ids = await keywordIds(database(), MARKET, texts);
      for (const entry of texts) {
        const id = ids.get(key(entry))!;
        expect(known.get(key(entry)) ?? id).toBe(id);
        known.set(key(entry), id);
      }
      expect(new Set(known.values()).size).toBe(known.size);
      const rows = await keywordsById(database(), known.values());
      for (const [identity, id] of known)
        expect(rows.get(id)).toEqual({ id, key: identity, text: model.texts.get(identity) });
    }),
    { numRuns: 25 },
  );
});

test('ids come in the order of the texts, 0 where there is nothing to have an id for', async () => {
  const given = ['panniers', '  ', 'Panniers', '!!!', 'frame bag', ''];
  const ids = await keywordIdsOf(database(), MARKET, given);
  expect(ids[0]).toBeGreaterThan(0);
  expect([...ids].map((id) => (id === ids[0] ? 'a' : id === ids[4] ? 'b' : id))).toEqual([
    'a',
    0,
    'a',
    0,
    'b',
    0,
  ]);
});

test('many new keywords, all known ones and a mixture of both are told apart', async () => {
  const texts = Array.from({ length: 3000 }, (_, i) => `keyword ${i * 7}`);
  const first = await keywordIdsOf(database(), MARKET, texts);
  expect(new Set(first).size).toBe(3000);
  expect(await keywordIdsOf(database(), MARKET, texts)).toEqual(first);
  const mixed = texts.flatMap((entry, i) => [entry, `other ${i}`]);
  const again = await keywordIdsOf(database(), MARKET, mixed);
  expect([...again].filter((_, i) => i % 2 === 0)).toEqual([...first]);
  expect(new Set(again).size).toBe(6000);
});

test('two connections that add the same keywords at once agree on their ids', async () => {
  const texts = Array.from({ length: 800 }, (_, i) => `shared ${i}`);
  const [a, b] = await Promise.all([
    keywordIdsOf(database(), MARKET, texts),
    keywordIdsOf(database(), MARKET, [...texts].reverse()),
  ]);
  expect([...b].reverse()).toEqual([...a]);
});

test('keys come in the order asked for, of few keywords or of most of a market, and of no other market', async () => {
  const texts = Array.from({ length: 24_000 }, (_, i) => `many ${(i * 7919) % 24_000}`);
  const ids = [...(await keywordIdsOf(database(), MARKET, texts))];
  const few = [5, 3, 23_999, 3];
  expect(
    await keywordKeys(
      database(),
      MARKET,
      few.map((n) => ids[n]!),
    ),
  ).toEqual(few.map((n) => texts[n]));
  const most = ids.map((_, n) => n).filter((n) => n % 11 > 0);
  for (const order of [most, [...most].reverse()])
    expect(
      await keywordKeys(
        database(),
        MARKET,
        order.map((n) => ids[n]!),
      ),
    ).toEqual(order.map((n) => texts[n]));
  const sorted = [...ids.keys()].sort((a, b) => (texts[a]! < texts[b]! ? -1 : 1));
  expect(
    await keywordKeys(
      database(),
      MARKET,
      sorted.map((n) => ids[n]!),
    ),
  ).toEqual(sorted.map((n) => texts[n]));
  expect(await keywordKeys(database(), MARKET + 1, ids)).toEqual([]);
});

test('another market has keywords of its own', async () => {
  await database().client.execute(
    `INSERT INTO market (code, surface, place, place_name, language, language_name, currency, results_per_page, depth)
     VALUES ('web-de-de', 'web', 'DE', 'Germany', 'de', 'German', 'EUR', 10, 100)`,
  );
  expect(await keywordIdRange(database(), 2)).toBeNull();
  const here = await keywordIdsOf(database(), MARKET, ['lenkertasche']);
  const there = await keywordIdsOf(database(), 2, ['lenkertasche']);
  expect(here[0]).not.toBe(there[0]);
  expect(await keywordIdRange(database(), 2)).toEqual({ least: there[0], most: there[0] });
  expect([...(await keywordIdsContaining(database(), 2, 'tasche'))]).toEqual([there[0]]);
});

describe('searching', () => {
  const model = new Model();
  let idOf: Map<string, number>;
  beforeEach(async () => {
    const texts = fc.sample(text, { numRuns: 400, seed: 5 });
    model.add(texts);
    idOf = await keywordIds(database(), MARKET, texts);
  });
  const idsWhere = (holds: (identity: string) => boolean): number[] =>
    [...idOf].flatMap(([identity, id]) => (holds(identity) ? [id] : [])).sort((a, b) => a - b);
  const sorted = (ids: Int32Array): number[] => [...ids].sort((a, b) => a - b);

  test('by key they come in the order of their keys, each with its number of words', async () => {
    const { ids, words: counts } = await keywordsByKey(database(), MARKET);
    const inOrder = [...idOf].sort(([a], [b]) =>
      Buffer.from(a) < Buffer.from(b) ? -1 : Buffer.compare(Buffer.from(a), Buffer.from(b)),
    );
    expect([...ids]).toEqual(inOrder.map(([, id]) => id));
    expect(await keywordIdsByKey(database(), MARKET)).toEqual(ids);
    expect([...counts]).toEqual(inOrder.map(([identity]) => words(identity).length));
  });

  test.each(['bike', 'ike b', '%', '_', 'a%b', 'ÜR', '袋', 'nothing'])(
    'a piece of text, %j',
    async (piece) => {
      expect(sorted(await keywordIdsContaining(database(), MARKET, piece))).toEqual(
        idsWhere((identity) => identity.includes(key(piece))),
      );
    },
  );

  test.each([
    ['bike bag', 'phrase'],
    ['bag bike', 'all words'],
    ['rain cover', 'any word'],
    ['für', 'phrase'],
    ['día 袋', 'any word'],
    ['bikes bikes', 'all words'],
  ] as const)('whole words, %j as %s', async (sought, mode) => {
    const wanted = words(key(sought));
    const holds = (identity: string): boolean => {
      const own = words(identity);
      if (mode === 'phrase') return ` ${identity} `.includes(` ${key(sought)} `);
      return mode === 'all words'
        ? wanted.every((word) => own.includes(word))
        : wanted.some((word) => own.includes(word));
    };
    expect(sorted(await keywordIdsHolding(database(), key(sought), mode))).toEqual(idsWhere(holds));
  });

  test('words added after the index was made are found as well', async () => {
    await indexNewKeywords(database());
    const [id] = await keywordIdsOf(database(), MARKET, ['xylophone bag']);
    expect([...(await keywordIdsHolding(database(), 'xylophone', 'phrase'))]).toEqual([id]);
    expect([...(await keywordIdsHolding(database(), '', 'any word'))]).toEqual([]);
  });

  test('stems find every form of a word', async () => {
    const sought = new Set([stem('bikes', 'en')]);
    const found = await keywordIdsByStems(database(), { id: MARKET, language: 'en' }, sought);
    const expected = idsWhere((identity) => words(identity).some((word) => sought.has(stem(word, 'en'))));
    expect([...found]).toEqual(expected);
    expect(expected.length).toBeGreaterThan(0);
  });
});
