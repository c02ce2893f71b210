import { readFile } from 'node:fs/promises';
import type { WrittenText } from '@opsimath/contract/api/drafts';
import { Parser } from 'htmlparser2';
import mammoth from 'mammoth';
import { KnownProblem } from '../problems/problem';

const MOST_BYTES = 20 * 1024 * 1024;
const MOST_BODY = 200_000;
const SILENT = new Set(['script', 'style', 'template', 'head', 'title']);
const BLOCKS = new Set(['p', 'li', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'div', 'td', 'blockquote', 'pre']);
const NAMED = /^(title|meta description|description)\s*:\s*(.+)$/i;

/** A heading with its level, or a paragraph (0). */
interface Block {
  level: number;
  text: string;
}

/**
 * A text that a writer gave back, as Markdown, HTML or DOCX: the first heading, or a line “Title: …”, is the title; a line
 * “Description: …” the description; other headings are headings, the rest is the body. Nothing in it is run or fetched.
 */
export async function readWrittenText(file: string): Promise<WrittenText> {
  const bytes = await readFile(file);
  if (bytes.length > MOST_BYTES)
    throw new KnownProblem(
      'too-large',
      'A text of more than 20 MB is not read.',
      'Paste what is needed of it.',
    );
  if (bytes.subarray(0, 2).toString('latin1') === 'PK') return fieldsOf(await documentBlocks(bytes));
  const text = bytes.toString('utf8').replace(/^\uFEFF/, '');
  return fieldsOf(
    /^\s*<(!doctype|html|body|h1|p|div)\b/i.test(text) ? htmlBlocks(text) : markdownBlocks(text),
  );
}

async function documentBlocks(buffer: Buffer): Promise<Block[]> {
  try {
    return htmlBlocks((await mammoth.convertToHtml({ buffer })).value);
  } catch (error) {
    throw new KnownProblem(
      'wrong-type',
      'This file could not be read as a text document.',
      'Save it as DOCX, HTML or Markdown, or paste the text.',
      { cause: error },
    );
  }
}

function htmlBlocks(html: string): Block[] {
  const blocks: Block[] = [];
  let [text, level, silent] = ['', 0, 0];
  const close = (): void => {
    if (text.trim() !== '') blocks.push({ level, text: text.replace(/\s+/g, ' ').trim() });
    [text, level] = ['', 0];
  };
  const parser = new Parser({
    onopentag: (name) => {
      if (SILENT.has(name)) silent++;
      if (name === 'br') text += ' ';
      if (!BLOCKS.has(name)) return;
      close();
      level = /^h[1-6]$/.test(name) ? Number(name[1]) : 0;
    },
    ontext: (part) => {
      if (silent === 0) text += part;
    },
    onclosetag: (name) => {
      if (SILENT.has(name)) silent--;
      if (BLOCKS.has(name)) close();
    },
  });
  parser.end(html);
  close();
  return blocks;
}

function markdownBlocks(text: string): Block[] {
  return text
    .split(/\r?\n/)
    .map((line): Block => {
      const heading = /^(#{1,6})\s+(.*?)\s*#*$/.exec(line);
      return heading
        ? { level: heading[1]!.length, text: plain(heading[2]!) }
        : { level: 0, text: plain(line.replace(/^\s*([-*+]|\d+\.)\s+/, '')) };
    })
    .filter((block) => block.text !== '');
}

/** Without the signs of Markdown: what is read is words. */
const plain = (line: string): string =>
  line
    .replace(/!?\[([^\]]*)\]\([^)]*\)/g, '$1')
    .replace(/(\*\*|__|`)/g, '')
    .replace(/\\([\\`*_[\]<>#|])/g, '$1')
    .trim();

function fieldsOf(blocks: readonly Block[]): WrittenText {
  const found: WrittenText = { title: '', description: '', headings: '', body: '' };
  const headings: string[] = [];
  const body: string[] = [];
  for (const { level, text } of blocks) {
    const named = NAMED.exec(text);
    if (named && level === 0) {
      const name = named[1]!.toLowerCase() === 'title' ? 'title' : 'description';
      if (found[name] === '') {
        found[name] = named[2]!.trim();
        continue;
      }
    }
    if (level === 1 && found.title === '') found.title = text;
    else if (level > 0) headings.push(text);
    else body.push(text);
  }
  return { ...found, headings: headings.join('\n'), body: body.join('\n').slice(0, MOST_BODY) };
}
