/**
 * Text of a table's cell as it may stand in any spreadsheet: line ends and tabs become spaces, and what would be taken for a
 * formula gets an apostrophe in front. A figure written as text is none.
 */
export function safeCell(text: string): string {
  const flat = text.replace(/[\t\r\n]+/g, ' ');
  return /^[\s\u00a0]*[=+\-@]/.test(flat) && !/^-?\d[\d.,]*$/.test(flat) ? `'${flat}` : flat;
}
