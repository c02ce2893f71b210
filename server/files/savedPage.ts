import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';
import type { SavedPage } from '@opsimath/contract/api/imports';
import { key, words } from '@opsimath/core/text/key';
import { candidatePhrases } from '@opsimath/core/text/phrases';
import { Parser } from 'htmlparser2';
import iconv from 'iconv-lite';
import { KnownProblem } from '../problems/problem';
import { detectEncoding } from './encoding';

const MOST_BYTES = 100 * 1024 * 1024;
const MOST_BODY = 400_000;
const MOST_FIELD = 2000;
const MOST_HEADINGS = 300;
const MOST_DATA_BLOCKS = 40;
const MOST_DATA = 200_000;
const MOST_PHRASES = 300;
const MOST_DEPTH = 20;
/** Elements open at once, far beyond any real page; the parser's time grows with their square. */
const MOST_OPEN = 5000;
/** What is not part of the text, and what belongs to the frame of a site rather than to this page. */
const SILENT = new Set(['script', 'style', 'template', 'noscript', 'svg', 'iframe', 'object', 'head']);
const FRAME = new Set(['nav', 'footer', 'aside', 'form', 'menu', 'header']);
const VOID = new Set([
  'br',
  'hr',
  'img',
  'meta',
  'link',
  'input',
  'area',
  'base',
  'col',
  'embed',
  'source',
  'track',
  'wbr',
]);

export interface ReadPage extends Omit<SavedPage, 'phrases' | 'address'> {
  /** What the page says its own address is; '' if it does not. */
  canonical: string;
  body: string;
}

/**
 * A saved HTML page: title, description, headings, product and video data, and the text outside menus and footers.
 * Read as a stream within fixed limits; nothing in it is run or fetched. Whatever is in the file, it ends.
 */
export async function readSavedPage(file: string): Promise<ReadPage> {
  const gather = new Gatherer();
  const parser = new Parser(gather, { decodeEntities: true });
  const decoder = iconv.getDecoder(await encodingOf(file), { stripBOM: true });
  let bytes = 0;
  for await (const piece of createReadStream(file, { highWaterMark: 1 << 16 })) {
    bytes += (piece as Buffer).length;
    if (bytes > MOST_BYTES) {
      gather.notes.push('Only the first 100 MB were read.');
      break;
    }
    parser.write(decoder.write(piece as Buffer));
    if (gather.depth > MOST_OPEN) {
      gather.notes.push(`Only read up to where more than ${MOST_OPEN} elements are open at once.`);
      break;
    }
  }
  parser.end();
  const page = gather.page();
  if (page.title === '' && page.headings.length === 0 && page.body === '') {
    throw new KnownProblem(
      'not-a-page',
      'This file is no page: it has neither a title nor headings nor text.',
      'Save the page as HTML and choose that file.',
    );
  }
  return page;
}

/** Phrases of the title and headings, without those of menus and footers. */
export function pagePhrases(page: Pick<ReadPage, 'title' | 'headings'>, language: string): string[] {
  return candidatePhrases([page.title, ...page.headings].join('\n'), language).slice(0, MOST_PHRASES);
}

class Gatherer {
  readonly notes: string[] = [];
  private title = '';
  private description = '';
  private canonical = '';
  private readonly headings: string[] = [];
  private body = '';
  private readonly data: string[] = [];
  /** Elements that are open. */
  depth = 0;
  private silent = 0;
  private frame = 0;
  private heading: string | null = null;
  private titles = 0;
  private inTitle = false;
  private block: string | null = null;

  onopentag(name: string, attributes: Record<string, string>): void {
    if (name === 'meta') this.meta(attributes);
    if (name === 'link' && /(^|\s)canonical(\s|$)/i.test(attributes.rel ?? '') && this.canonical === '')
      this.canonical = (attributes.href ?? '').slice(0, MOST_FIELD);
    if (VOID.has(name)) return;
    this.depth++;
    if (SILENT.has(name)) this.silent++;
    if (FRAME.has(name)) this.frame++;
    if (name === 'title') {
      this.titles++;
      this.inTitle = true;
    }
    if (/^h[1-6]$/.test(name) && this.frame === 0) this.heading = '';
    if (name === 'script' && /^application\/ld\+json/i.test(attributes.type ?? '')) this.block = '';
  }

  ontext(text: string): void {
    if (this.block !== null) {
      if (this.block.length < MOST_DATA) this.block += text;
      return;
    }
    // Drawings have titles as well, which are neither the page's nor text that is seen.
    if (this.inTitle) {
      if (this.titles === 1) this.title = (this.title + text).slice(0, MOST_FIELD);
      return;
    }
    if (this.silent > 0) return;
    if (this.heading !== null) this.heading = (this.heading + text).slice(0, MOST_FIELD);
    else if (this.frame === 0 && this.body.length < MOST_BODY) this.body += text;
  }

  onclosetag(name: string): void {
    if (!VOID.has(name)) this.depth--;
    if (SILENT.has(name)) this.silent = Math.max(0, this.silent - 1);
    if (FRAME.has(name)) this.frame = Math.max(0, this.frame - 1);
    if (name === 'title') this.inTitle = false;
    if (/^h[1-6]$/.test(name) && this.heading !== null) {
      const text = flat(this.heading);
      if (text !== '' && this.headings.length < MOST_HEADINGS) this.headings.push(text);
      this.heading = null;
    }
    if (name === 'script' && this.block !== null) {
      if (this.data.length < MOST_DATA_BLOCKS) this.data.push(this.block);
      this.block = null;
    }
    if (/^(p|div|li|td|section|article|br)$/.test(name)) this.body += '\n';
  }

  page(): ReadPage {
    const data = new StructuredData(this.data, this.notes);
    const body = this.body.split('\n').map(flat).filter(Boolean).join('\n').slice(0, MOST_BODY);
    return {
      title: flat(this.title),
      description: flat(this.description),
      canonical: this.canonical.trim(),
      headings: this.headings,
      body,
      words: words(key(body)).length,
      product: data.product(),
      video: data.video(),
      notes: this.notes,
    };
  }

  private meta(attributes: Record<string, string>): void {
    const name = (attributes.name ?? attributes.property ?? '').toLowerCase();
    const content = (attributes.content ?? '').slice(0, MOST_FIELD);
    if (name === 'description') this.description = content;
    else if (name === 'og:description' && this.description === '') this.description = content;
  }
}

type Thing = Record<string, unknown>;

/** Products and videos that a page describes in JSON-LD. Whatever else is in there is passed over. */
class StructuredData {
  private readonly things: Thing[] = [];

  constructor(blocks: readonly string[], notes: string[]) {
    for (const block of blocks) {
      try {
        this.gather(JSON.parse(block), 0);
      } catch {
        notes.push('A block of structured data could not be read.');
      }
    }
  }

  product(): SavedPage['product'] {
    const thing = this.first('product');
    if (!thing) return null;
    const offer = firstThing(thing.offers);
    const rating = firstThing(thing.aggregateRating);
    return {
      name: text(thing.name),
      price: figure(offer?.price ?? offer?.lowPrice),
      currency: text(offer?.priceCurrency) || null,
      rating: figure(rating?.ratingValue),
      reviews: figure(rating?.reviewCount ?? rating?.ratingCount),
    };
  }

  video(): SavedPage['video'] {
    const thing = this.first('videoobject');
    if (!thing) return null;
    const seen = firstThing(thing.interactionStatistic);
    return {
      name: text(thing.name),
      seconds: duration(text(thing.duration)),
      views: figure(seen?.userInteractionCount ?? thing.interactionCount),
      published: /^\d{4}-\d{2}-\d{2}/.exec(text(thing.uploadDate))?.[0] ?? null,
    };
  }

  private first(type: string): Thing | undefined {
    return this.things.find((thing) => {
      const types = Array.isArray(thing['@type']) ? thing['@type'] : [thing['@type']];
      return types.some((entry) => typeof entry === 'string' && entry.toLowerCase() === type);
    });
  }

  private gather(value: unknown, depth: number): void {
    if (depth > MOST_DEPTH || this.things.length > 2000 || typeof value !== 'object' || value === null)
      return;
    if (Array.isArray(value)) {
      for (const entry of value) this.gather(entry, depth + 1);
      return;
    }
    this.things.push(value as Thing);
    for (const entry of Object.values(value)) this.gather(entry, depth + 1);
  }
}

function firstThing(value: unknown): Thing | undefined {
  const one: unknown = Array.isArray(value) ? value[0] : value;
  return typeof one === 'object' && one !== null ? (one as Thing) : undefined;
}
function text(value: unknown): string {
  return typeof value === 'string' || typeof value === 'number'
    ? flat(String(value)).slice(0, MOST_FIELD)
    : '';
}
function figure(value: unknown): number | null {
  const number = typeof value === 'string' ? Number(value.replace(/,/g, '')) : value;
  return typeof number === 'number' && Number.isFinite(number) && number >= 0 ? number : null;
}
/** Seconds of an ISO 8601 duration as PT1H2M3S. */
function duration(value: string): number | null {
  const match = /^PT(?:(\d{1,3})H)?(?:(\d{1,4})M)?(?:(\d{1,6})S)?$/.exec(value);
  return match ? 3600 * Number(match[1] ?? 0) + 60 * Number(match[2] ?? 0) + Number(match[3] ?? 0) : null;
}
function flat(value: string): string {
  return value.replace(/\s+/g, ' ').trim();
}

async function encodingOf(file: string): Promise<string> {
  const handle = await open(file);
  try {
    const head = Buffer.alloc(65_536);
    const { bytesRead } = await handle.read(head, 0, head.length, 0);
    const start = head.subarray(0, bytesRead);
    const said = /<meta[^>]{0,200}charset\s*=\s*["']?([\w-]{2,40})/i.exec(start.toString('latin1'))?.[1];
    const found = detectEncoding(start);
    return found === 'utf-8' || said === undefined || !iconv.encodingExists(said)
      ? found
      : said.toLowerCase();
  } finally {
    await handle.close();
  }
}
