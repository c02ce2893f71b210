import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import fc from 'fast-check';
import { type SitemapEntry, readSitemap } from './sitemap';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'opsimath-sitemap-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function read(content: string | Uint8Array): Promise<SitemapEntry[]> {
  const file = path.join(folder, 'sitemap.xml');
  writeFileSync(file, content);
  return readSitemap(file);
}
const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const written = (entries: readonly { address: string; updated?: string | null }[]): string =>
  `<?xml version="1.0" encoding="UTF-8"?><urlset xmlns="urn:pages">${entries
    .map(
      ({ address, updated }) =>
        `<url><loc>\n ${escaped(address)} </loc>${updated ? `<lastmod>${updated}</lastmod>` : ''}<priority>0.5</priority></url>`,
    )
    .join('\n')}</urlset>`;

const address = fc
  .string({ unit: fc.constantFrom('a', 'ß', 'é', '字', '🚲', '&', '/', '?', '=', '-', '%') })
  .map((rest) => `https://tarnwick.example/${rest}`);
const updated = fc.option(
  fc
    .date({ min: new Date('2000-01-01'), max: new Date('2099-12-31'), noInvalidDate: true })
    .map((date) => date.toISOString().slice(0, 10)),
);

test('every page that was written is read back, packed or not', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.record({ address, updated }), { maxLength: 20 }),
      fc.boolean(),
      async (entries, packed) => {
        const xml = written(entries);
        expect(await read(packed ? gzipSync(xml) : xml)).toEqual(entries);
      },
    ),
    { numRuns: 80 },
  );
});

test('letters that lie across two pieces of a large file stay whole', async () => {
  const entries = Array.from({ length: 9000 }, (_, i) => ({
    address: `https://tarnwick.example/${'täsche-字-🚲'.repeat(1 + (i % 3))}-${i}`,
    updated: null,
  }));
  expect(await read(written(entries))).toEqual(entries);
});

test('a time of day is taken for its day, and what is no date for none', async () => {
  const entries = await read(
    written([
      { address: 'https://tarnwick.example/a', updated: '2026-03-14T10:00:00+01:00' },
      { address: 'https://tarnwick.example/b', updated: 'last week' },
    ]),
  );
  expect(entries.map((entry) => entry.updated)).toEqual(['2026-03-14', null]);
});

test('entities of the file’s own are never expanded', async () => {
  const bomb = `<!DOCTYPE urlset [<!ENTITY a "${'x'.repeat(1000)}"><!ENTITY b "&a;&a;&a;&a;"><!ENTITY file SYSTEM "file:///etc/hostname">]>`;
  const [entry] = await read(
    `${bomb}<urlset><url><loc>https://tarnwick.example/&b;&file;</loc></url></urlset>`,
  );
  expect(entry!.address).toBe('https://tarnwick.example/&b;&file;');
});

test('addresses outside a url, images and empty ones are no pages', async () => {
  expect(
    await read(
      '<urlset><loc>https://x.example/</loc><url><loc> </loc></url><url><image:image><image:loc>https://x.example/i.png</image:loc></image:image><loc>https://tarnwick.example/a</loc></url></urlset>',
    ),
  ).toEqual([{ address: 'https://tarnwick.example/a', updated: null }]);
});

test.each([
  [
    'a list of other sitemaps',
    '<sitemapindex><sitemap><loc>https://tarnwick.example/1.xml</loc></sitemap></sitemapindex>',
    'sitemap-index',
  ],
  ['a page', '<html><body>Hello</body></html>', 'not-a-sitemap'],
  ['nothing', '', 'not-a-sitemap'],
  ['elements inside each other without end', `<urlset>${'<a>'.repeat(400_000)}`, 'not-a-sitemap'],
  ['a packed file that breaks off', gzipSync('<urlset></urlset>').subarray(0, 15), 'not-a-sitemap'],
])('%s is refused in words', async (_, content, code) => {
  await expect(read(content)).rejects.toMatchObject({ code, status: 400 });
});

test('whatever is in the file, reading ends', async () => {
  const piece = fc.oneof(
    fc.constantFrom(
      '<urlset>',
      '</urlset>',
      '<url>',
      '</url>',
      '<loc>',
      '</loc>',
      '<![CDATA[',
      ']]>',
      '<?',
      '&#x0;',
      '<!--',
      '<lastmod>',
    ),
    fc.string({ unit: 'binary', maxLength: 8 }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(piece, { maxLength: 25 }), async (pieces) => {
      const answer = await read(pieces.join('')).catch((error: { code: string }) => error.code);
      if (!Array.isArray(answer)) expect(['not-a-sitemap', 'sitemap-index']).toContain(answer);
      else for (const entry of answer) expect(entry.address).toBe(entry.address.trim());
    }),
    { numRuns: 150 },
  );
});
