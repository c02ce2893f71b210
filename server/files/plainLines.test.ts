import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import iconv from 'iconv-lite';
import { type PlainCells, takeLines, textOf } from './plainLines';
import { type FilePart, readRecords } from './records';

let file: string;
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'opsimath-plain-'));
  file = path.join(folder, 'file');
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Taken {
  parts: FilePart[];
  plain: number;
  bytes: number;
}

/** The file by lines, plain ones as the parts that they are; `wants` says which plain ones are taken as bytes. */
async function take(
  content: Buffer,
  { encoding = 'utf-8', delimiter = ',', from = 1, wants = (_line: number): boolean => true } = {},
): Promise<Taken> {
  writeFileSync(file, content);
  const taken: Taken = { parts: [], plain: 0, bytes: 0 };
  const taker = {
    plain(line: number, { bytes, starts, ends, count }: PlainCells) {
      const fields = Array.from({ length: count }, (_, n) => textOf(bytes, starts[n]!, ends[n]!, encoding));
      // What is blank is for nobody to take.
      if (fields.join('').trim() === '' || !wants(line)) return false;
      taken.plain++;
      taken.parts.push({ line, lines: 1, fields });
      return true;
    },
    part: (part: FilePart) => void taken.parts.push(part),
  };
  for await (const bytes of takeLines(file, encoding, delimiter, from, taker)) taken.bytes = bytes;
  return taken;
}

async function asText(content: Buffer, encoding = 'utf-8', delimiter = ',', from = 1): Promise<FilePart[]> {
  writeFileSync(file, content);
  const parts = [];
  for await (const part of readRecords(file, encoding, delimiter, from)) parts.push(part);
  return parts;
}

test('every file reads as it does by text: quotes, blank lines, all line ends, plain lines refused among them', async () => {
  const piece = fc.constantFrom(
    'a',
    'é',
    '"',
    ',',
    '\n',
    '\r\n',
    '\r',
    ' ',
    'bag',
    '"x\ny"',
    ',12',
    '\n"q",3\n',
  );
  await fc.assert(
    fc.asyncProperty(
      fc.array(piece, { maxLength: 60 }),
      fc.integer({ min: 1, max: 4 }),
      fc.integer({ min: 1, max: 3 }),
      async (pieces, from, every) => {
        const content = Buffer.from(pieces.join(''));
        const taken = await take(content, { from, wants: (line) => line % every === 0 });
        expect(taken.parts).toEqual(await asText(content, 'utf-8', ',', from));
        if (content.length > 0) expect(taken.bytes).toBe(content.length);
      },
    ),
    { numRuns: 300 },
  );
});

test.each(['windows-1252', 'utf-16le', 'shift_jis', 'utf-8'])(
  'a file in %s reads as it does by text',
  async (encoding) => {
    const lines = Array.from(
      { length: 50 },
      (_, n) => `tasche ${n},${n % 7 === 0 ? '"ein, zwei"' : 'größe'},${n}`,
    );
    const content = iconv.encode(`\n${lines.join('\r\n')}`, encoding === 'shift_jis' ? 'utf-8' : encoding, {
      addBOM: true,
    });
    expect((await take(content, { encoding })).parts).toEqual(await asText(content, encoding));
  },
);

test('more than one piece of a file: lines across their border, most of them as bytes', async () => {
  const lines = Array.from({ length: 90_000 }, (_, n) =>
    n % 1000 === 0 ? `"quoted ${n}",1` : `keyword number ${n},${n},south.example/p${n % 50}`,
  );
  const content = Buffer.from(lines.join('\n'));
  const taken = await take(content);
  expect(taken.plain).toBe(90_000 - 90);
  expect(taken.parts).toEqual(await asText(content));
  expect(taken.bytes).toBe(content.length);
});

test.each([
  ['a line of a hundred thousand letters', `${'x'.repeat(100_000)},2`],
  ['more columns than any plain line', ','.repeat(17_000)],
  ['a carriage return alone', 'c,3\rd,4'],
])('%s: from there on the file is read as text, nothing lost', async (_, odd) => {
  const content = Buffer.from(`a,1\nb,2\n${odd}\ne,5\n"f",6\n`);
  const taken = await take(content);
  expect(taken.plain).toBe(2);
  expect(taken.parts).toEqual(await asText(content));
});
