const LONGEST = 80;

/** A name as files can bear it on every system; the other where nothing of it is left. */
export function fileName(name: string, otherwise = 'table'): string {
  const plain = name
    .replace(/[\\/:*?"<>|\p{Cc}]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, LONGEST)
    .replace(/[. ]+$/, '');
  return plain === '' ? otherwise : plain;
}
