import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import iconv from 'iconv-lite';
import { KnownProblem } from '../problems/problem';
import { type ReadPage, pagePhrases, readSavedPage } from './savedPage';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'opsimath-page-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function read(content: string | Uint8Array): Promise<ReadPage> {
  const file = path.join(folder, 'page.html');
  writeFileSync(file, content);
  return readSavedPage(file);
}
const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const flat = (text: string): string => text.replace(/\s+/g, ' ').trim();
const data = (value: unknown): string =>
  `<title>T</title><script type="application/ld+json">${JSON.stringify(value).replace(/</g, '\\u003c')}</script>`;

/** Text without the characters that HTML itself replaces. */
const plain = fc
  .string({ unit: 'grapheme', minLength: 1, maxLength: 40 })
  .filter((text) => /\S/.test(text) && !/[\0\r&]/.test(text));

test('title, description and headings of any text are read back', async () => {
  await fc.assert(
    fc.asyncProperty(
      plain,
      plain,
      fc.array(plain, { minLength: 1, maxLength: 4 }),
      async (title, description, headings) => {
        const page = await read(
          `<!doctype html><head><meta charset="utf-8"><title>${escaped(title)}</title><meta name="description" content="${escaped(description).replace(/"/g, '&quot;')}"></head>
         <body>${headings.map((heading, i) => `<h${(i % 6) + 1}>${escaped(heading)}</h${(i % 6) + 1}>`).join('')}</body>`,
        );
        expect(page.title).toBe(flat(title));
        expect(page.description).toBe(flat(description));
        expect(page.headings).toEqual(headings.map(flat));
      },
    ),
    { numRuns: 80 },
  );
});

test('whatever the bytes are, reading ends with a page or says that it is none', async () => {
  const piece = fc.oneof(
    fc.constantFrom(
      '<',
      '>',
      '</',
      '<!--',
      '-->',
      '<![CDATA[',
      '<script>',
      '</script>',
      '<title>',
      '</title>',
      '<h1>',
      '</h1>',
      '<nav>',
      '</nav>',
      '<script type="application/ld+json">',
      '{"@type":"Product"',
      '&#x110000;',
      '&#0;',
      '&amp',
      '"',
      "'",
      '<!DOCTYPE x [<!ENTITY a "b">]>',
      '<svg><title>',
      '<p/>',
      '<meta charset=utf-16>',
      '\0',
      '\uD800',
    ),
    fc.string({ unit: 'binary', maxLength: 12 }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(piece, { maxLength: 30 }), async (pieces) => {
      try {
        const page = await read(pieces.join(''));
        for (const text of [page.title, page.description, ...page.headings]) expect(text).toBe(flat(text));
      } catch (error) {
        expect(error).toBeInstanceOf(KnownProblem);
      }
    }),
    { numRuns: 200 },
  );
});

test('structured data of any shape is read without failing the page', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.jsonValue({ maxDepth: 6 }),
      fc.constantFrom('Product', 'VideoObject'),
      async (value, type) => {
        const page = await read(
          data({
            '@type': type,
            name: value,
            offers: value,
            aggregateRating: value,
            duration: value,
            uploadDate: value,
            interactionStatistic: value,
          }),
        );
        expect(page.title).toBe('T');
        const thing = type === 'Product' ? page.product : page.video;
        expect(thing).not.toBeNull();
        for (const figure of Object.values(thing!))
          if (typeof figure === 'number') expect(figure).toBeGreaterThanOrEqual(0);
      },
    ),
    { numRuns: 100 },
  );
});

test.each([
  [
    'a price in an offer',
    { '@type': 'Product', name: 'Fell', offers: { price: '79.50', priceCurrency: 'GBP' } },
    { name: 'Fell', price: 79.5, currency: 'GBP' },
  ],
  ['the lowest of several', { '@type': 'Product', offers: { lowPrice: 12 } }, { price: 12, currency: null }],
  [
    'the first offer of a list',
    { '@type': ['Thing', 'PRODUCT'], offers: [{ price: 1 }, { price: 2 }] },
    { price: 1 },
  ],
  [
    'a rating with thousands',
    { '@type': 'Product', aggregateRating: { ratingValue: '4.5', reviewCount: '1,204' } },
    { rating: 4.5, reviews: 1204 },
  ],
  [
    'ratings counted',
    { '@type': 'Product', aggregateRating: { ratingCount: 7 } },
    { reviews: 7, rating: null },
  ],
  ['a figure that is none', { '@type': 'Product', offers: { price: 'ask us' } }, { price: null }],
  ['a figure below nought', { '@type': 'Product', offers: { price: -4 } }, { price: null }],
])('a product with %s', async (_, thing, expected) => {
  expect((await read(data(thing))).product).toMatchObject(expected);
  expect(
    (await read(data({ '@graph': [{ '@type': 'WebPage' }, { mainEntity: thing }] }))).product,
  ).toMatchObject(expected);
});

test.each([
  ['PT1H2M3S', 3723],
  ['PT45S', 45],
  ['PT10M', 600],
  ['P1D', null],
  ['1:30', null],
  ['', null],
])('a video of %j lasts %j seconds', async (duration, seconds) => {
  const page = await read(
    data({
      '@type': 'VideoObject',
      duration,
      uploadDate: '2026-01-02T08:00:00Z',
      interactionStatistic: { userInteractionCount: 31 },
    }),
  );
  expect(page.video).toEqual({ name: '', seconds, views: 31, published: '2026-01-02' });
});

test.each([
  ['utf-8', 'Fahrradtasche für Gepäckträger – 20 €', ''],
  ['utf-16le', 'Fahrradtasche für Gepäckträger – 20 €', ''],
  ['windows-1252', 'Fahrradtasche für Gepäckträger – 20 €', 'windows-1252'],
  ['iso-8859-2', 'Taška na kolo šedá', 'iso-8859-2'],
  ['shift_jis', '自転車 バッグ', 'shift_jis'],
  ['windows-1256', 'حقيبة دراجة', 'windows-1256'],
])('letters in %s come out as they were', async (encoding, title, said) => {
  const html = `<html><head>${said ? `<meta charset="${said}">` : ''}<title>${title}</title></head><body><p>${title}</p></body></html>`;
  expect((await read(iconv.encode(html, encoding, { addBOM: encoding === 'utf-16le' }))).title).toBe(title);
});

test('menus, footers, scripts and styles are not the text of a page', async () => {
  const page = await read(
    `<head><title>Panniers</title></head><body><nav><h2>Menu</h2>Home</nav><script>var bag = "rain"</script><style>p{}</style>
     <main><h1>For touring</h1><p>They keep dry.</p></main><noscript>Turn it on</noscript><footer><h3>Legal</h3>Imprint</footer>`,
  );
  expect(page.headings).toEqual(['For touring']);
  expect(page.body).toContain('They keep dry.');
  expect(page.body).not.toMatch(/Home|rain|Imprint/);
  expect(page.words).toBe(3);
});

test.each([
  ['a head', '<head><title>Fell bags</title></head><body><p>Kept dry.</p></body>'],
  ['no head', '<title>Fell bags</title><p>Kept dry.</p>'],
  [
    'a drawing with a title of its own',
    '<title>Fell bags</title><svg><title>A wheel</title><path/></svg><p>Kept dry.</p>',
  ],
])('the title is no text of the page: with %s', async (_, html) => {
  expect(await read(html)).toMatchObject({ title: 'Fell bags', body: 'Kept dry.' });
});

test('its own address is the canonical one, the first of several', async () => {
  const page = await read(
    '<title>T</title><link rel="alternate" href="https://a.example/"><link rel="nofollow canonical" href=" https://saltfen.example/fell "><link rel=canonical href="https://b.example/">',
  );
  expect(page.canonical).toBe('https://saltfen.example/fell');
});

test('phrases come from title and headings in their order, each once', () => {
  const phrases = pagePhrases(
    { title: 'Roll-top pannier', headings: ['Pannier for rain', 'Roll-top pannier'] },
    'en',
  );
  expect(phrases.slice(0, 3)).toEqual(['roll-top', 'roll-top pannier', 'pannier']);
  expect(phrases).toContain('pannier for rain');
  expect(new Set(phrases).size).toBe(phrases.length);
});

test.each([
  ['nothing', ''],
  ['only markup', '<html><head></head><body></body></html>'],
  ['only a menu', '<nav>Home</nav>'],
])('%s is no page, in words', async (_, content) => {
  await expect(read(content)).rejects.toMatchObject({ code: 'not-a-page', status: 400 });
});
