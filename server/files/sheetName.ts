/** What a name of a sheet may be long. */
const MOST = 31;

/** A name that a sheet of a workbook may have. @param taken names that stand already, in small letters; this one is added */
export function sheetName(title: string, taken = new Set<string>()): string {
  const plain =
    title
      .replace(/[*?:\\/[\]]/g, ' ')
      .replace(/^'+|'+$/g, '')
      .trim() || 'Table';
  for (let n = 1; ; n++) {
    const end = n === 1 ? '' : ` ${n}`;
    const name = `${plain.slice(0, MOST - end.length)}${end}`;
    if (taken.has(name.toLowerCase())) continue;
    taken.add(name.toLowerCase());
    return name;
  }
}
