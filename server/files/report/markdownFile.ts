import type { ReportBlock, ReportContent, ReportTable } from '@opsimath/contract/api/reportContent';
import type { TextPassage } from '@opsimath/core/report/passages';
import { areTitled } from '@opsimath/core/report/titled';
import { asMarkdown } from '../markdown';
import { isFigure, scopeLine, spelledCell } from './cells';
import { inWords } from './lanePicture';

/** A report as Markdown: what is said, and its tables; curves as the tables of their days. */
export function markdownFile(content: ReportContent): string {
  return [
    `# ${asMarkdown(content.title)}`,
    '',
    asMarkdown(scopeLine(content)),
    '',
    ...content.sections.flatMap(({ heading, blocks }) => [
      `## ${asMarkdown(heading)}`,
      '',
      ...blocks.flatMap((block) => blockOf(block, areTitled(blocks), content)),
    ]),
  ].join('\n');
}

function blockOf(block: ReportBlock, titled: boolean, content: ReportContent): string[] {
  switch (block.kind) {
    case 'text':
      return block.passages.flatMap((passage, n) => [
        passageOf(passage as TextPassage),
        ...(passage.kind === 'item' && block.passages[n + 1]?.kind === 'item' ? [] : ['']),
      ]);
    case 'table':
      return [...(titled ? [`### ${asMarkdown(block.title)}`, ''] : []), ...tableOf(block, content)];
    case 'chart':
      return [];
    case 'example':
      return [
        `### ${asMarkdown(block.keyword)}`,
        '',
        asMarkdown(inWords(block.lane, content)),
        '',
        ...block.facts.map(({ name, value }) => `- ${asMarkdown(name)}: ${asMarkdown(value)}`),
        '',
        asMarkdown(block.reason),
        '',
        `**What to do.** ${asMarkdown(block.remedy)}`,
        '',
      ];
  }
}

function passageOf({ kind, runs }: TextPassage): string {
  const text = runs
    .map(({ text: words, bold, italic }) => {
      const plain = asMarkdown(words);
      if (plain.trim() === '') return plain;
      return bold ? `**${plain.trim()}**` : italic ? `*${plain.trim()}*` : plain;
    })
    .join('');
  return kind === 'item' ? `- ${text}` : text;
}

function tableOf({ columns, rows, caption, empty }: ReportTable, content: ReportContent): string[] {
  if (rows.length === 0) return [asMarkdown(empty), ''];
  const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
  return [
    line(columns.map(({ name }) => cellOf(name))),
    line(columns.map((column) => (isFigure(column) ? '--:' : '---'))),
    ...rows.map((row) =>
      line(
        columns.map((column, n) => {
          const told = cellOf(spelledCell(row.cells[n] ?? null, column, content));
          return n === 0 ? [told, ...(row.below ?? []).map(cellOf)].join('<br>') : told;
        }),
      ),
    ),
    '',
    ...(caption ? [asMarkdown(caption), ''] : []),
  ];
}

const cellOf = (text: string): string => asMarkdown(text).replace(/\s*\n\s*/g, ' ');
