import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { reportContent } from '@opsimath/contract/api/reportContent';
import { shown } from '@opsimath/core/shown';
import { parse as parseCsv } from 'csv-parse/sync';
import { Parser } from 'htmlparser2';
import readXlsx from 'read-excel-file/node';
import { NASTY, sampleReport } from '../../testing/sampleReport';
import { chartPicture, niceTop } from './chartPicture';
import { htmlFile } from './htmlFile';
import { inRuns } from './letters';
import { markdownFile } from './markdownFile';
import { pdfFile } from './pdfFile';
import { csvFile, xlsxFile } from './tableFiles';

interface ReadPdf {
  pages: { text: string; lowest: number; widest: number; links: number; broken: string[] }[];
  title: string;
}

const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-report-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const READER = path.join(__dirname, '..', '..', 'testing', 'readPdf.mjs');

/** What another library reads in it, spaces as one. */
function readPdf(bytes: Buffer): ReadPdf {
  const file = path.join(folder, 'report.pdf');
  writeFileSync(file, bytes);
  const read = JSON.parse(
    execFileSync(process.execPath, [READER, file], { maxBuffer: 64 * 1024 * 1024 }).toString(),
  ) as ReadPdf;
  for (const page of read.pages) page.text = page.text.replace(/\s+/g, ' ');
  return read;
}
const flat = (text: string): string => text.replace(/\s+/g, '');

describe('PDF, read by another library', () => {
  const content = sampleReport([], 120);
  let read: ReadPdf;
  beforeAll(async () => {
    read = readPdf(await pdfFile(content, { checksum: 'ab12cd34ef567890'.repeat(4) }));
  });

  test('every figure of every row is there as it is on the screen', () => {
    const all = flat(read.pages.map(({ text }) => text).join(' '));
    for (const row of (content.sections[1]!.blocks[0] as { rows: { cells: unknown[] }[] }).rows) {
      const told = `${shown('count', row.cells[2] as number)}${shown('share', row.cells[3] as number)}${shown('money', row.cells[4] as number)}${String(row.cells[5])}`;
      expect(all).toContain(flat(told));
    }
    expect(all).toContain('Of11,969keywords.');
    expect(read.title).toBe('Report on Tarnwick');
  });

  test('every page has scope, date, checksum and its number in the foot, and heads of a table that goes on', () => {
    expect(read.pages.length).toBeGreaterThan(3);
    read.pages.forEach(({ text }, n) => {
      expect(flat(text)).toContain(
        flat('Tarnwick · United States, English, web · 14 Mar 2026 against 14 Dec 2025'),
      );
      expect(text).toContain(`Page ${n + 1} of ${read.pages.length}`);
      expect(flat(text)).toContain('SHA-256ab12cd34ef567890…');
      if (/waterproof bag \d+/.test(text))
        expect(flat(text)).toContain(flat('Keyword Where everybody stands'));
    });
  });

  test('no row stands on two pages', () => {
    for (const { text } of read.pages)
      for (const [, n] of text.matchAll(/waterproof bag (\d+)/g)) expect(text).toContain(`number ${n}.`);
  });

  test('nothing runs out of the page, and every link within it leads somewhere', () => {
    for (const { lowest, widest, broken } of read.pages) {
      expect(lowest).toBeGreaterThan(15);
      expect(widest).toBeLessThan(595);
      expect(broken).toEqual([]);
    }
    expect(read.pages.reduce((sum, { links }) => sum + links, 0)).toBeGreaterThanOrEqual(120);
  });

  test('lanes and curves are lines, not pictures', async () => {
    const bytes = await pdfFile({ ...sampleReport(), logo: null }, null);
    expect(bytes.toString('latin1')).not.toMatch(/\/Subtype\s*\/Image/);
  });
});

test('signs of every script, half signs and formulas harm no PDF; what can be set is found in it', async () => {
  const content = sampleReport(NASTY);
  expect(() => reportContent.parse(content)).not.toThrow();
  const { pages } = readPdf(await pdfFile(content, null));
  const all = flat(pages.map(({ text }) => text).join(' '));
  for (const word of ['Größe', 'велосипеда', '<script>alert(1)</script>', '=HYPERLINK', '@SUM(A1:A9)'])
    expect(all).toContain(flat(word));
  for (const { widest } of pages) expect(widest).toBeLessThan(600);
});

describe('letters', () => {
  const fontsOf = (text: string): string[] => [...new Set(inRuns(text).map(({ font }) => font))];
  test('each script has letters of its own; what none has is a question mark', () => {
    expect(fontsOf('bag')).toEqual(['Sans']);
    expect(fontsOf('сумка')).toEqual(['Sans cyrillic']);
    expect(fontsOf('תיק')).toEqual(['Hebrew']);
    expect(fontsOf('حقيبة')).toEqual(['Arabic']);
    expect(fontsOf('🚲')).toEqual(['Emoji']);
    expect(inRuns('自転車')).toEqual([{ text: '???', font: 'Sans' }]);
    expect(inRuns('Bag', true)[0]!.font).toBe('Serif');
  });

  test('words from right to left come in the order in which they are seen', () => {
    const text = inRuns('א ב ג')
      .map((run) => run.text)
      .join('');
    expect(text).toBe('ג ב א');
  });

  test('unseen and half signs are left out', () => {
    expect(inRuns('a\u0000b\u202ec\ud83dd').map((run) => run.text)).toEqual(['abcd']);
    expect(inRuns('')).toEqual([{ text: '', font: 'Sans' }]);
  });
});

describe('XLSX, read by another library', () => {
  test('a sheet for each table, numbers as numbers, days as days, unknown as nothing', async () => {
    const sheets = await readXlsx(await xlsxFile(sampleReport([], 2)));
    expect(sheets.map(({ sheet }) => sheet)).toEqual([
      'Report',
      'The gaps',
      'Nothing here',
      'What the sums are made of',
    ]);
    const { data } = sheets[1]!;
    expect(data[0]).toEqual([
      ...[
        'Keyword',
        'Where everybody stands',
        'Searches',
        'Chance',
        'Adds a month, USD',
        'Position',
        'Day',
        'Reason',
      ],
    ]);
    expect(data[1]).toEqual([
      'waterproof bag 0',
      'Organic: Tarnwick 12, was 30; Cobblemoor 3; Saltfen absent. Paid: Cobblemoor 2.',
      1234.5,
      0.256,
      98.76,
      12,
      new Date('2026-03-14T00:00:00Z'),
      'Retitle it, number 0.',
    ]);
    expect(data[2]![5]).toBe('absent');
  });

  test('no text is a formula, and names of sheets are what sheets may have', async () => {
    const content = sampleReport(NASTY.slice(0, 4), 0);
    const [table] = content.sections[1]!.blocks as { title: string }[];
    table!.title = "'[Gaps]: every / single * one? of them, and more'";
    const sheets = await readXlsx(await xlsxFile(content));
    expect(sheets[1]!.sheet).toBe('Gaps   every   single   one  of');
    expect(sheets[1]!.data.slice(1).map(([name]) => name)).toEqual(NASTY.slice(0, 4));
  });
});

describe('CSV, read by another library', () => {
  const rowsOf = (text: string): string[][] => parseCsv(text, { bom: true });
  test('figures are whole, a table is chosen by its name, and no cell is a formula', () => {
    const rows = rowsOf(csvFile(sampleReport(NASTY, 1), undefined));
    expect(rows[1]!.slice(2, 7)).toEqual(['1234.5', '0.256', '98.76', '12', '2026-03-14']);
    for (const row of rows)
      for (const cell of row) if (/^[=+@-]/.test(cell)) expect(Number.isNaN(Number(cell))).toBe(false);
    expect(rowsOf(csvFile(sampleReport(), 'sums'))[0]).toEqual(['Work', 'Adds']);
    expect(() => csvFile(sampleReport(), 'none')).toThrow('no such table');
  });
});

describe('HTML as one file', () => {
  /** Names of elements, attributes, text and what scripts hold. */
  function parsed(html: string) {
    const found = {
      tags: new Set<string>(),
      attributes: [] as [string, string][],
      text: '',
      scripts: [] as string[],
      ids: [] as string[],
    };
    let inScript = false;
    let inStyle = false;
    new Parser({
      onopentag: (name, attributes) => {
        found.tags.add(name);
        inScript = name === 'script';
        inStyle = name === 'style';
        if (inScript) found.scripts.push('');
        found.attributes.push(...Object.entries(attributes));
        if (attributes.id) found.ids.push(attributes.id);
      },
      ontext: (text) => {
        if (inScript) found.scripts[found.scripts.length - 1] += text;
        else if (!inStyle) found.text += text;
      },
      onclosetag: () => {
        inScript = false;
        inStyle = false;
      },
    }).end(html);
    return found;
  }
  const content = sampleReport(NASTY);
  const kept = { content, gaps: [[NASTY[6], 'absent', 'absent', 'absent', 3, 10, 2]] as never };
  const html = htmlFile(content, { checksum: 'abc', madeAt: '2026-03-14T00:00:00Z', kept });

  test('no text becomes part of the page: nothing runs, nothing is fetched', () => {
    const { tags, attributes, text, scripts } = parsed(html);
    expect(tags.has('img')).toBe(true);
    for (const [name, value] of attributes) {
      expect(name).not.toMatch(/^on/);
      if (name === 'src') expect(value).toMatch(/^data:image\/png/);
      if (name === 'href') expect(value).toMatch(/^#/);
    }
    expect(text).toContain('<script>alert(1)</script>');
    expect(scripts).toHaveLength(1);
    expect(html).not.toMatch(/https?:\/\/(?!www\.w3\.org\/2000\/svg|x\.example)/);
  });

  test('what is kept stands in it, and can be read back', () => {
    const [json] = parsed(html).scripts;
    expect(JSON.parse(json!)).toEqual(JSON.parse(JSON.stringify(kept)));
    expect(parsed(htmlFile(content, null)).scripts).toEqual([]);
  });

  test('every figure and every sum leads to a row that is there', () => {
    const { attributes, ids } = parsed(htmlFile(sampleReport(), null));
    const links = attributes.flatMap(([name, value]) => (name === 'href' ? [value.slice(1)] : []));
    expect(links.length).toBeGreaterThan(3);
    for (const link of links) expect(ids).toContain(link);
  });
});

test('Markdown holds every table, and no text of it means anything else', () => {
  const text = markdownFile(sampleReport(NASTY));
  expect(text).toContain('| Keyword | Where everybody stands | Searches |');
  expect(text).not.toContain('[link](javascript');
  expect(text).not.toMatch(/(?<!\\)<script/);
  const table = text.split('\n').filter((line) => line.startsWith('|'));
  const pipes = (line: string): number => line.replace(/\\\|/g, '').split('|').length;
  expect(new Set(table.slice(0, NASTY.length).map(pipes)).size).toBe(1);
});

describe('curves', () => {
  test('a day without a figure is a gap', () => {
    const content = sampleReport();
    const [chart] = content.sections[2]!.blocks;
    if (chart?.kind !== 'chart') throw new Error('there is a curve');
    const [, path] = /<path d="([^"]+)" fill="none"/.exec(chartPicture(chart, content, 500))!;
    expect(path!.match(/M/g)).toHaveLength(2);
  });

  test.each([
    [0, 1],
    [0.34, 0.4],
    [7, 8],
    [10, 10],
    [1234, 2000],
  ])('the scale over %s ends at %s', (most, top) => expect(niceTop(most)).toBeCloseTo(top, 9));
});
