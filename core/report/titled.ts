/**
 * Whether the tables of a section say what they are: one that stands alone is said by the heading.
 *
 * @param blocks what stands in the section
 */
export function areTitled(blocks: readonly { kind: string }[]): boolean {
  return blocks.filter(({ kind }) => kind === 'table' || kind === 'chart').length > 1;
}
