const LIT_MS = 2500;

/** Brings a row of the report, or a section, into view and lights it for a moment. */
export function showRow(row: string): void {
  const found = document.getElementById(rowName(row));
  if (!found) return;
  found.scrollIntoView({ block: 'center' });
  found.setAttribute('tabindex', '-1');
  found.focus({ preventScroll: true });
  found.classList.add('lit');
  window.setTimeout(() => found.classList.remove('lit'), LIT_MS);
}

/** Name of a row as it stands in the page. */
export const rowName = (row: string): string => `report-${row}`;
