import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type {
  FrozenContent,
  ReportBlock,
  ReportColumn,
  ReportContent,
  ReportRow,
  ReportTable,
} from '@opsimath/contract/api/reportContent';
import type { TextPassage, TextRun } from '@opsimath/core/report/passages';
import { areTitled } from '@opsimath/core/report/titled';
import { chartPicture } from './chartPicture';
import { isFigure, isLane, scopeLine, spelledCell } from './cells';
import { escaped } from '../escape';
import { lanePicture } from './lanePicture';
import { HAIRLINE, INK, SHEET, SOFT, ownInk } from './inks';

const LANE = 210;
const CHART = 760;
const modules = createRequire(import.meta.url);

/** What stands at the end of a file: of a frozen report the checksum and the data under it. */
export interface Seal {
  checksum: string;
  madeAt: string;
  kept: FrozenContent;
}

/** A report as one file that needs no server: its pictures, its letters and, where it is frozen, its data are in it. */
export function htmlFile(content: ReportContent, seal: Seal | null): string {
  return [
    '<!doctype html>',
    '<html lang="en"><head><meta charset="utf-8">',
    '<meta name="viewport" content="width=device-width, initial-scale=1">',
    `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:">`,
    `<title>${escaped(content.title)}</title>`,
    `<style>${styleOf(content)}</style></head><body><main>`,
    headOf(content),
    ...content.sections.map(
      ({ id, heading, blocks }) =>
        `<section id="${nameOf(id)}"><h2>${escaped(heading)}</h2>${blocks.map((block) => blockOf(block, areTitled(blocks), content)).join('')}</section>`,
    ),
    footOf(content, seal),
    '</main>',
    // What a script of JSON holds is never run; the one sign that could end it is written otherwise.
    seal === null
      ? ''
      : `<script type="application/json" id="data">${JSON.stringify(seal.kept).replace(/</g, '\\u003c')}</script>`,
    '</body></html>',
  ].join('\n');
}

/** Names of rows as they stand in addresses. */
const nameOf = (name: string): string => escaped(encodeURIComponent(name));

function headOf(content: ReportContent): string {
  const { logo, title, rivals, own } = content;
  const legend = rivals
    .map(
      ({ letter, name }, n) =>
        `<span><b class="tab hue-${n % 4}">${escaped(letter)}</b> ${escaped(name)}</span>`,
    )
    .join(' ');
  return `<header>${logo === null ? '' : `<img src="${escaped(logo)}" alt="">`}<h1>${escaped(title)}</h1><p class="soft">${escaped(scopeLine(content))}</p><p class="legend"><span><i class="disc"></i> ${escaped(own)}</span> ${legend} <span class="soft">disc: organic · ring: before · diamond: paid · line: position ${content.front}</span></p></header>`;
}

function footOf(content: ReportContent, seal: Seal | null): string {
  const kept =
    seal === null
      ? 'Figures as they were when this file was written.'
      : `Frozen ${escaped(seal.madeAt)}. SHA-256 of what is kept: <code>${escaped(seal.checksum)}</code>`;
  return `<footer class="soft">${escaped(scopeLine(content))}<br>${kept}<br>Made with Opsimath.</footer>`;
}

function blockOf(block: ReportBlock, titled: boolean, content: ReportContent): string {
  switch (block.kind) {
    case 'text':
      return passagesOf(block.passages as TextPassage[], content);
    case 'table':
      return tableOf(block, titled, content);
    case 'chart':
      return `<figure><figcaption>${escaped(block.title)}</figcaption>${chartPicture(block, content, CHART)}${block.caption ? `<p class="soft">${escaped(block.caption)}</p>` : ''}</figure>`;
    case 'example':
      return `<article class="example" id="${nameOf(block.id)}"><h3>${escaped(block.keyword)}</h3>${lanePicture(block.lane, content, 420)}<dl>${block.facts
        .map(
          ({ name, value, sums }) =>
            `<div><dt>${escaped(name)}</dt><dd>${linked(escaped(value), sums)}</dd></div>`,
        )
        .join(
          '',
        )}</dl><p>${escaped(block.reason)}</p><p><b>What to do.</b> ${escaped(block.remedy)}</p></article>`;
  }
}

/** Paragraphs and lists; every figure leads to the row that it was read from. */
function passagesOf(passages: readonly TextPassage[], content: ReportContent): string {
  let html = '';
  passages.forEach((passage, n) => {
    const isItem = passage.kind === 'item';
    if (isItem && passages[n - 1]?.kind !== 'item') html += '<ul>';
    html += `<${isItem ? 'li' : 'p'}>${passage.runs.map((run) => runOf(run, content)).join('')}</${isItem ? 'li' : 'p'}>`;
    if (isItem && passages[n + 1]?.kind !== 'item') html += '</ul>';
  });
  return html;
}

function runOf({ text, bold, italic, figure }: TextRun, { figures }: ReportContent): string {
  let html = escaped(text);
  if (bold) html = `<b>${html}</b>`;
  if (italic) html = `<i>${html}</i>`;
  return figure === undefined ? html : linked(html, figures[figure]?.row ?? undefined);
}

const linked = (html: string, row: string | undefined): string =>
  row === undefined ? html : `<a href="#${nameOf(row)}">${html}</a>`;

function tableOf(table: ReportTable, titled: boolean, content: ReportContent): string {
  const { title, columns, rows, caption, empty } = table;
  const head = titled ? `<h3>${escaped(title)}</h3>` : '';
  if (rows.length === 0) return `${head}<p class="soft">${escaped(empty)}</p>`;
  const heads = columns
    .map(
      (column) =>
        `<th scope="col"${isFigure(column) ? ' class="figure"' : ''}${column.tip ? ` title="${escaped(column.tip)}"` : ''}>${escaped(column.name)}</th>`,
    )
    .join('');
  return `${head}<table><thead><tr>${heads}</tr></thead><tbody>${rows
    .map((row) => rowOf(row, table, content))
    .join('')}</tbody></table>${caption ? `<p class="soft">${escaped(caption)}</p>` : ''}`;
}

function rowOf(row: ReportRow, { id, columns }: ReportTable, content: ReportContent): string {
  return `<tr id="${nameOf(`${id}:${row.key}`)}">${columns
    .map((column, n) => cellOf(row, n, column, content))
    .join('')}</tr>`;
}

function cellOf(row: ReportRow, n: number, column: ReportColumn, content: ReportContent): string {
  const cell = row.cells[n] ?? null;
  const html = isLane(cell) ? lanePicture(cell, content, LANE) : escaped(spelledCell(cell, column, content));
  const below =
    n === 0 ? (row.below ?? []).map((line) => `<div class="soft">${escaped(line)}</div>`).join('') : '';
  const told = column.kind === 'money' && cell !== null ? linked(html, row.sums) : html;
  return `<td${isFigure(column) ? ' class="figure"' : ''}>${told}${below}</td>`;
}

function styleOf({ accent }: ReportContent): string {
  return `${facesOf()}
:root{--own:${ownInk(accent)}}
*{box-sizing:border-box}
body{margin:0;background:#f5f1e6;color:${INK};font:14px/1.45 'Source Sans 3',sans-serif}
main{max-width:980px;margin:24px auto;padding:36px 44px;background:${SHEET};border:1px solid ${HAIRLINE}}
h1,h2,h3{font-family:Newsreader,serif;font-weight:600;line-height:1.2}
h1{font-size:30px;margin:0 0 6px}h2{font-size:20px;margin:28px 0 8px;border-bottom:2px solid var(--own);padding-bottom:3px}h3{font-size:15px;margin:16px 0 4px}
p{margin:0 0 7px;max-width:100ch}.soft{color:${SOFT};font-size:12.5px;overflow-wrap:anywhere}
header img{max-height:56px;max-width:240px;float:right}
a{color:var(--own);text-decoration:underline;text-decoration-color:${HAIRLINE};text-underline-offset:2px}
table{border-collapse:collapse;width:100%;font-size:13px;margin-bottom:6px}
th{text-align:left;font-weight:600;color:${SOFT};border-bottom:1px solid ${INK};padding:4px 6px;vertical-align:bottom}
td{border-bottom:1px solid ${HAIRLINE};padding:4px 6px;vertical-align:top;overflow-wrap:anywhere}
.figure{text-align:right;font-variant-numeric:tabular-nums;white-space:nowrap}
th.figure{white-space:normal}
tr:target td,.example:target{background:#f1e3bd}
figure{margin:8px 0}figcaption{font-weight:600}figure svg{max-width:100%}td svg{display:block}
.legend span{margin-right:10px}.disc{display:inline-block;width:10px;height:10px;border-radius:50%;background:var(--own)}
.tab{display:inline-block;width:14px;text-align:center;color:${SHEET};font-size:11px}
.hue-0{background:#8a4a34}.hue-1{background:#57598c}.hue-2{background:#716d1f}.hue-3{background:#8f5a87}
.example{border-left:3px solid var(--own);padding:2px 0 2px 14px;margin:12px 0}
dl{display:flex;flex-wrap:wrap;gap:4px 22px;margin:4px 0 8px}dt{font-size:12px;color:${SOFT}}dd{margin:0;font-weight:600}
footer{margin-top:34px;border-top:1px solid ${HAIRLINE};padding-top:8px}code{font-size:11px;word-break:break-all}
@media print{body{background:#fff}main{border:0;margin:0;max-width:none;padding:0}thead{display:table-header-group}tr,.example,figure{break-inside:avoid}h2,h3{break-after:avoid}}`;
}

let faces = '';
/** The letters themselves, so that the file looks the same anywhere. */
function facesOf(): string {
  if (faces !== '') return faces;
  const face = (family: string, file: string, weight: number): string => {
    const data = readFileSync(modules.resolve(file)).toString('base64');
    return `@font-face{font-family:'${family}';font-weight:${weight};src:url(data:font/woff2;base64,${data}) format('woff2')}`;
  };
  faces = [
    face('Source Sans 3', '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff2', 400),
    face('Source Sans 3', '@fontsource/source-sans-3/files/source-sans-3-latin-600-normal.woff2', 600),
    face('Newsreader', '@fontsource/newsreader/files/newsreader-latin-600-normal.woff2', 600),
  ].join('\n');
  return faces;
}
