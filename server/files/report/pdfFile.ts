import pdfmake from 'pdfmake';
import type {
  ReportBlock,
  ReportCell,
  ReportColumn,
  ReportContent,
  ReportRow,
  ReportTable,
} from '@opsimath/contract/api/reportContent';
import type { TextPassage } from '@opsimath/core/report/passages';
import { areTitled } from '@opsimath/core/report/titled';
import { chartPicture } from './chartPicture';
import { isFigure, isLane, scopeLine, spelledCell } from './cells';
import { HAIRLINE, INK, SOFT, ownInk } from './inks';
import { lanePicture } from './lanePicture';
import { FONTS, inRuns } from './letters';

/** Points of an A4 page, and what is left of it. */
const PAGE = { width: 595, margin: 40 };
const ROOM = PAGE.width - 2 * PAGE.margin;
const LANE = 150;

type Node = Record<string, unknown>;

/**
 * A report laid out for paper: scope and date in the foot, page numbers, heads of tables on every page, no row on two pages,
 * pictures as lines. Money leads to the row that explains it, figures in the text to where they were read.
 *
 * @param onProgress told how far it is, 0–1
 * @param seal what is said of a frozen report in the foot
 */
export async function pdfFile(
  content: ReportContent,
  seal: { checksum: string } | null,
  onProgress: (share: number) => void = () => undefined,
): Promise<Buffer> {
  pdfmake.setFonts(FONTS);
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy((file: string) => file.includes('@fontsource'));
  pdfmake.setProgressCallback(onProgress);
  pdfmake.setTableLayouts({ ledger: LEDGER });
  return pdfmake.createPdf(definition(content, seal)).getBuffer();
}

const LEDGER = {
  hLineWidth: (line: number, node: { table: { headerRows: number; body: unknown[] } }): number =>
    line === 0 ? 0 : line === node.table.headerRows ? 0.8 : 0.4,
  hLineColor: (line: number, node: { table: { headerRows: number } }): string =>
    line === node.table.headerRows ? INK : HAIRLINE,
  vLineWidth: (): number => 0,
  paddingLeft: (): number => 3,
  paddingRight: (): number => 3,
  paddingTop: (): number => 2.5,
  paddingBottom: (): number => 2.5,
};

function definition(content: ReportContent, seal: { checksum: string } | null): Node {
  const foot = `${scopeLine(content)}${seal === null ? '' : ` · SHA-256 ${seal.checksum.slice(0, 16)}…`}`;
  return {
    pageSize: 'A4',
    pageMargins: [PAGE.margin, 46, PAGE.margin, 48],
    info: { title: content.title, creator: 'Opsimath', producer: 'Opsimath', subject: foot },
    defaultStyle: { font: 'Sans', fontSize: 9.5, color: INK, lineHeight: 1.15 },
    header: (page: number): Node =>
      page === 1
        ? { text: '' }
        : {
            ...words(content.title, true),
            fontSize: 9,
            color: SOFT,
            margin: [PAGE.margin, 22, PAGE.margin, 0],
          },
    footer: (page: number, pages: number): Node => ({
      columns: [
        { ...words(foot), fontSize: 7.5, color: SOFT, width: '*' },
        { text: `Page ${page} of ${pages}`, fontSize: 7.5, color: SOFT, width: 70, alignment: 'right' },
      ],
      margin: [PAGE.margin, 14, PAGE.margin, 0],
    }),
    content: [
      ...(content.logo === null ? [] : [{ image: content.logo, fit: [160, 48], alignment: 'right' }]),
      { ...words(content.title, true), fontSize: 22, margin: [0, 0, 0, 4] },
      { ...words(scopeLine(content)), fontSize: 9, color: SOFT, margin: [0, 0, 0, 4] },
      {
        ...words(
          `${content.own} is the disc; ${content.rivals.map(({ letter, name }) => `${letter} ${name}`).join(', ') || 'no rivals'}. Ring: before. Diamond: paid. Long mark: position ${content.front}.`,
        ),
        fontSize: 8.5,
        color: SOFT,
        margin: [0, 0, 0, 8],
      },
      ...content.sections.flatMap(({ heading, blocks }) => [
        {
          ...words(heading, true),
          fontSize: 14,
          color: ownInk(content.accent),
          margin: [0, 14, 0, 4],
          headlineLevel: 1,
        },
        ...blocks.flatMap((block) => blockOf(block, areTitled(blocks), content)),
      ]),
    ],
    // A heading never stands alone at the foot of a page.
    pageBreakBefore: (
      node: { headlineLevel?: number },
      context: { getFollowingNodesOnPage: () => { headlineLevel?: number }[] },
    ): boolean =>
      node.headlineLevel !== undefined &&
      context.getFollowingNodesOnPage().every((following) => following.headlineLevel !== undefined),
  };
}

/** A text in the letters that have its signs. Most are of one kind: those are measured as they are. */
function words(text: string, serif = false): Node {
  const runs = inRuns(text, serif);
  const [only] = runs;
  if (runs.length === 1) return only!.font === 'Sans' ? { text: only!.text } : { ...only! };
  return { text: runs.map((run) => ({ ...run })) };
}

function blockOf(block: ReportBlock, titled: boolean, content: ReportContent): Node[] {
  switch (block.kind) {
    case 'text':
      return passagesOf(block.passages as TextPassage[], content);
    case 'table':
      return tableOf(block, titled, content);
    case 'chart':
      return [
        { ...words(block.title), bold: true, margin: [0, 4, 0, 2], headlineLevel: 2 },
        { svg: chartPicture(block, content, ROOM), width: ROOM },
        ...(block.caption ? [{ ...words(block.caption), fontSize: 8, color: SOFT }] : []),
      ];
    case 'example':
      return [
        {
          unbreakable: true,
          margin: [0, 4, 0, 6],
          stack: [
            { ...words(block.keyword, true), fontSize: 11.5, id: block.id },
            { svg: lanePicture(block.lane, content, 330), width: 330 },
            {
              columns: block.facts.map(({ name, value, sums }) => ({
                stack: [
                  { ...words(name), fontSize: 7.5, color: SOFT },
                  { ...words(value), bold: true, ...(sums ? { linkToDestination: sums } : {}) },
                ],
              })),
              columnGap: 6,
            },
            { ...words(block.reason), margin: [0, 3, 0, 0] },
            { ...words(`What to do. ${block.remedy}`) },
          ],
        },
      ];
  }
}

function passagesOf(passages: readonly TextPassage[], { figures }: ReportContent): Node[] {
  return passages.map(({ kind, runs }) => ({
    text: [
      ...(kind === 'item' ? [{ text: '•  ' }] : []),
      ...runs.flatMap(({ text, bold, italic, figure }) => {
        const row = figure === undefined ? null : (figures[figure]?.row ?? null);
        return inRuns(text).map((run) => ({
          ...run,
          ...(bold && { bold }),
          ...(italic && { italics: true }),
          ...(row !== null && { linkToDestination: row, bold: true }),
        }));
      }),
    ],
    margin: [kind === 'item' ? 10 : 0, 0, 0, 4],
  }));
}

function tableOf(table: ReportTable, titled: boolean, content: ReportContent): Node[] {
  const { id, title, columns, rows, caption, empty } = table;
  const head = titled ? [{ ...words(title), bold: true, margin: [0, 6, 0, 2], headlineLevel: 2 }] : [];
  if (rows.length === 0) return [...head, { ...words(empty), color: SOFT, fontSize: 8.5 }];
  return [
    ...head,
    {
      layout: 'ledger',
      fontSize: 8,
      table: {
        headerRows: 1,
        dontBreakRows: true,
        keepWithHeaderRows: 1,
        widths: widthsOf(table),
        body: [
          columns.map((column) => ({
            ...words(column.name),
            bold: true,
            color: SOFT,
            ...(isFigure(column) && { alignment: 'right' }),
          })),
          ...rows.map((row) => columns.map((column, n) => cellOf(row, n, column, id, content))),
        ],
      },
    },
    ...(caption ? [{ ...words(caption), fontSize: 7.5, color: SOFT, margin: [0, 2, 0, 4] }] : []),
  ];
}

/** A column of words that are all shorter than this needs no more room than they take. */
const SHORT = 15;

/** Figures and short words as narrow as they are, lanes as wide as they must be, the rest for what is said. */
function widthsOf({ columns, rows }: ReportTable): (string | number)[] {
  const isShort = (n: number): boolean =>
    rows.every(({ cells, below }) => (n > 0 || !below) && String(cells[n] ?? '').length < SHORT);
  const widths = columns.map((column, n) =>
    column.kind === 'lane' ? LANE : isFigure(column) || column.kind === 'day' || isShort(n) ? 'auto' : '*',
  );
  return widths.includes('*') ? widths : widths.map((width, n) => (n === 0 ? '*' : width));
}

function cellOf(
  row: ReportRow,
  n: number,
  column: ReportColumn,
  table: string,
  content: ReportContent,
): Node {
  const cell: ReportCell = row.cells[n] ?? null;
  if (isLane(cell)) return { svg: lanePicture(cell, content, LANE), width: LANE };
  const told: Node = {
    ...words(broken(spelledCell(cell, column, content))),
    ...(isFigure(column) && { alignment: 'right' }),
    ...(column.kind === 'money' &&
      cell !== null &&
      row.sums !== undefined && { linkToDestination: row.sums }),
    ...(n === 0 && { id: `${table}:${row.key}` }),
  };
  if (n !== 0 || !row.below || row.below.length === 0) return told;
  return {
    stack: [told, ...row.below.map((line) => ({ ...words(broken(line)), color: SOFT, fontSize: 7.5 }))],
  };
}

const LONGEST_WORD = 36;
const LONG_WORDS = new RegExp(`[^\\s/-]{${LONGEST_WORD + 1},}`, 'gu');
/** What has no place to be broken at would push a column out of the page: it is broken anywhere. */
const broken = (text: string): string =>
  text.replace(LONG_WORDS, (word) =>
    (word.match(new RegExp(`.{1,${LONGEST_WORD}}`, 'gu')) ?? [word]).join('\n'),
  );
