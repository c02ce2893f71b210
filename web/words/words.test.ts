import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { gapMark, heldName } from '@opsimath/contract/api/gapQuery';
import { PROBLEMS } from '@opsimath/contract/api/problem';
import { jobState } from '@opsimath/contract/api/jobs';
import { ACTIONS } from '@opsimath/core/gap/action';
import { ENGLISH_REASONS } from '@opsimath/core/gap/reason';
import { GAP_KINDS } from '@opsimath/core/gap/kind';
import { PAID_STATES } from '@opsimath/core/gap/paid';
import { WORTH_SOURCES } from '@opsimath/core/gap/worth';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { GAP_FIGURES } from '@opsimath/contract/figures/gapFigures';
import { GLOSSARY } from '@opsimath/core/glossary';
import { POOL_FIGURES } from '@opsimath/contract/figures/poolFigures';
import { counted } from '../parts/words/figures';
import { filled, t, wordOf } from './t';

type Texts = Record<string, string>;
const textsOf = (language: string, space: string): Texts => flat(read(language, space));
const read = (language: string, space: string): object =>
  JSON.parse(readFileSync(join(__dirname, language, `${space}.json`), 'utf8')) as object;
const flat = (from: object, before = ''): Texts =>
  Object.assign(
    {},
    ...Object.entries(from).map(([key, value]: [string, string | object]) =>
      typeof value === 'string' ? { [before + key]: value } : flat(value, `${before}${key}.`),
    ),
  ) as Texts;

const SPACES = readdirSync(join(__dirname, 'en')).map((name) => name.replace('.json', ''));
const named = (text: string): string[] => (text.match(/\{\{\w+\}\}|<\/?\w+\/?>/g) ?? []).sort();

describe.each(SPACES)('the texts of %s', (space) => {
  const english = textsOf('en', space);
  const german = textsOf('de', space);

  test('are there in German, every one, with the same values and parts of the page', () => {
    expect(Object.keys(german).sort()).toEqual(Object.keys(english).sort());
    for (const [key, text] of Object.entries(english))
      expect([key, named(german[key]!)]).toEqual([key, named(text)]);
  });

  test('say something', () => {
    for (const text of [...Object.values(english), ...Object.values(german)])
      expect(text.trim()).not.toBe('');
  });
});

test('most of German is German', () => {
  const pairs = SPACES.flatMap((space) => {
    const german = textsOf('de', space);
    return Object.entries(textsOf('en', space)).map(([key, text]) => [text, german[key]!] as const);
  }).filter(([text]) => /\p{L}+ \p{L}+ \p{L}+/u.test(text));
  expect(pairs.length).toBeGreaterThan(1000);
  expect(pairs.filter(([english, german]) => english === german)).toEqual([]);
});

test('every text is used somewhere, and every text that is used is there', () => {
  const code = ['parts', 'shell', 'stages', 'state']
    .flatMap((room) => {
      const folder = join(__dirname, '..', room);
      return readdirSync(folder, { recursive: true, encoding: 'utf8' })
        .filter((name) => /\.tsx?$/.test(name))
        .map((name) => readFileSync(join(folder, name), 'utf8'));
    })
    .join('\n');
  const used = new Set(
    [
      ...code.matchAll(
        /['"]((?:shell|parts|roster|lookup|sift|gaps|rounds|drafts|watch|report|method):[\w.]+)['"]/g,
      ),
    ].map(([, key]) => key!),
  );
  const there = SPACES.filter((space) => space !== 'codes' && space !== 'counts').flatMap((space) =>
    Object.keys(textsOf('en', space)).map((key) => `${space}:${key}`),
  );
  expect(there.filter((key) => !used.has(key))).toEqual([]);
  expect([...used].filter((key) => !there.includes(key))).toEqual([]);
});

test('every figure of the contract has German words', () => {
  const figures = read('de', 'figures') as Record<string, Record<string, { head: string; tip: string }>>;
  expect(Object.keys(figures.gap!).sort()).toEqual(Object.keys(GAP_FIGURES).sort());
  expect(Object.keys(figures.pool!).sort()).toEqual(Object.keys(POOL_FIGURES).sort());
});

test('every word of the glossary is explained in German', () => {
  expect(Object.keys(read('de', 'glossary')).sort()).toEqual(GLOSSARY.map(({ word }) => word).sort());
});

test('everything that can go wrong has a German sentence', () => {
  const german = read('de', 'problems') as Texts;
  expect(Object.keys(german).sort()).toEqual(Object.keys(PROBLEMS).sort());
  for (const sentence of Object.values(german)) expect(sentence).toMatch(/^[A-ZÄÖÜ].*\.$/);
});

test('reasons have German words, with the same values put in', () => {
  const german = read('de', 'reasons') as Texts;
  expect(Object.keys(german)).toEqual(Object.keys(ENGLISH_REASONS));
  for (const [name, text] of Object.entries(ENGLISH_REASONS))
    expect([name, named(german[name]!)]).toEqual([name, named(text)]);
});

test('a text takes its values, a count agrees with its noun, a code says its word', () => {
  expect(t('gaps:GapTitle.weAreOnTheFrontFor', { onFront: '3', onFrontWithDemand: '2' })).toContain('3');
  expect(wordOf('absent')).toBe('absent');
  expect(wordOf('no code of ours')).toBe('no code of ours');
  expect(wordOf('')).toBe('');
  expect(wordOf('toString')).toBe('toString');
  expect(filled('<b>{{name}}</b>', { name: '<i>' })).toBe('<b><i></b>');
});

test.each([
  [0, 'paid slot', '0 paid slots'],
  [1, 'paid slot', '1 paid slot'],
  [1200, 'keyword', '1,200 keywords'],
  [1, 'query', '1 query'],
  [2, 'query', '2 queries'],
  [null, 'result', '– results'],
] as const)('%s of %s', (many, noun, words) => expect(counted(many, noun)).toBe(words));

test('what rows are told by has a word in every language', () => {
  const codes = [
    ...gapMark.options,
    ...heldName.options,
    ...GAP_KINDS,
    ...PAID_STATES,
    ...ACTIONS,
    ...PAGE_KINDS,
    ...PURPOSES,
    ...VERDICTS,
    ...WORTH_SOURCES,
    ...jobState.options,
  ];
  for (const language of ['en', 'de']) {
    const words = textsOf(language, 'codes');
    expect(codes.filter((code) => !Object.hasOwn(words, code))).toEqual([]);
  }
});
