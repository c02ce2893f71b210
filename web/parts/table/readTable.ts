/** A table as it stands on the screen: heads and rows as text, figures as numbers. */
export interface ReadTable {
  heads: string[];
  rows: (string | number)[][];
}

const FIGURE = /^[−-]?\d{1,3}(,\d{3})*(\.\d+)?$|^[−-]?\d+(\.\d+)?$/;
const BLOCKS = new Set(['DIV', 'P', 'LI', 'UL', 'OL', 'BR', 'DL', 'DT', 'DD', 'TD', 'TH']);

/** Reads a table from the page. Columns that only hold ticks or acts are left out; pictures are told by their label. */
export function readTable(table: HTMLTableElement): ReadTable {
  const heads = [...table.querySelectorAll('thead tr:last-child > *')].map((head) => textOf(head));
  const kept = heads.flatMap((head, n) => (head === '' ? [] : [n]));
  const rows = [...table.querySelectorAll('tbody tr')].flatMap((row) => {
    const cells = [...row.children];
    if (cells.length !== heads.length) return [];
    return [kept.map((n) => valueOf(textOf(cells[n]!)))];
  });
  return { heads: kept.map((n) => heads[n]!), rows };
}

function valueOf(text: string): string | number {
  return FIGURE.test(text) ? Number(text.replaceAll(',', '').replace('−', '-')) : text;
}

/** What somebody reads in an element, in one line. */
function textOf(element: Element): string {
  return said(element).replace(/\s+/g, ' ').trim();
}

function said(node: Node): string {
  if (node.nodeType === Node.TEXT_NODE) return node.textContent ?? '';
  if (!(node instanceof Element) || node.getAttribute('aria-hidden') === 'true') return '';
  if (node.getAttribute('role') === 'img') return ` ${node.getAttribute('aria-label') ?? ''} `;
  if (node.getAttribute('role') === 'checkbox') return '';
  if (node instanceof HTMLInputElement || node instanceof HTMLTextAreaElement) return node.value;
  const inner = [...node.childNodes].map(said).join('');
  return BLOCKS.has(node.tagName) ? ` ${inner} ` : inner;
}
