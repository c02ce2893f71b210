import { createReadStream } from 'node:fs';
import { createGunzip } from 'node:zlib';
import { open } from 'node:fs/promises';
import { StringDecoder } from 'node:string_decoder';
import { Parser } from 'htmlparser2';
import { KnownProblem } from '../problems/problem';

export interface SitemapEntry {
  address: string;
  updated: string | null;
}

const MOST_ENTRIES = 200_000;
const MOST_BYTES = 500 * 1024 * 1024;
const MOST_TEXT = 4000;
/** Elements open at once: a sitemap has four. The parser's time grows with their square. */
const MOST_OPEN = 1000;

/**
 * The pages that a sitemap.xml names, packed or not. Read as a stream; document types and entities of its own are
 * never expanded. Throws a KnownProblem for what is no sitemap.
 */
export async function readSitemap(file: string): Promise<SitemapEntry[]> {
  const entries: SitemapEntry[] = [];
  let text = '';
  let current: SitemapEntry | null = null;
  let isIndex = false;
  let seen = false;
  let depth = 0;
  const parser = new Parser(
    {
      onopentag(name) {
        depth++;
        text = '';
        if (name === 'urlset') seen = true;
        if (name === 'sitemapindex') isIndex = true;
        if (name === 'url') current = { address: '', updated: null };
      },
      ontext(piece) {
        if (text.length < MOST_TEXT) text += piece;
      },
      onclosetag(name) {
        depth--;
        if (current && name === 'loc') current.address = text.trim();
        if (current && name === 'lastmod')
          current.updated = /^\d{4}-\d{2}-\d{2}/.exec(text.trim())?.[0] ?? null;
        if (current && name === 'url') {
          if (current.address !== '' && entries.length < MOST_ENTRIES) entries.push(current);
          current = null;
        }
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  // A letter may lie across two pieces.
  const decoder = new StringDecoder('utf8');
  let bytes = 0;
  const stream = createReadStream(file);
  try {
    for await (const piece of (await isGzip(file)) ? stream.pipe(createGunzip()) : stream) {
      bytes += (piece as Buffer).length;
      if (bytes > MOST_BYTES) throw new KnownProblem('too-large', 'The sitemap unpacks to more than 500 MB.');
      parser.write(decoder.write(piece as Buffer));
      if (depth > MOST_OPEN)
        throw new KnownProblem(
          'not-a-sitemap',
          'This file is no sitemap: its elements lie too deep.',
          'Choose a sitemap.xml.',
        );
    }
    parser.end();
  } catch (error) {
    if (error instanceof KnownProblem) throw error;
    throw new KnownProblem('not-a-sitemap', 'This file breaks off or is damaged.', 'Save the sitemap again.');
  }
  if (isIndex && entries.length === 0) {
    throw new KnownProblem(
      'sitemap-index',
      'This sitemap only lists other sitemaps.',
      'Save those and choose them one after another.',
    );
  }
  if (!seen) {
    throw new KnownProblem(
      'not-a-sitemap',
      'This file is no sitemap: it has no urlset.',
      'Choose a sitemap.xml.',
    );
  }
  return entries;
}

async function isGzip(file: string): Promise<boolean> {
  const handle = await open(file);
  try {
    const head = Buffer.alloc(2);
    await handle.read(head, 0, 2, 0);
    return head[0] === 0x1f && head[1] === 0x8b;
  } finally {
    await handle.close();
  }
}
