import { safeCell } from '@opsimath/core/text/safeCell';

/** Puts rows on the clipboard as a real table: tab-separated text and HTML, line ends and formula starts made safe. */
export async function copyAsTable(rows: readonly (readonly string[])[]): Promise<void> {
  const safe = rows.map((row) => row.map(safeCell));
  const text = safe.map((row) => row.join('\t')).join('\n');
  const html = `<table>${safe.map((row) => `<tr>${row.map((cell) => `<td>${escapeHtml(cell)}</td>`).join('')}</tr>`).join('')}</table>`;
  await navigator.clipboard.write([
    new ClipboardItem({
      'text/plain': new Blob([text], { type: 'text/plain' }),
      'text/html': new Blob([html], { type: 'text/html' }),
    }),
  ]);
}

function escapeHtml(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}
