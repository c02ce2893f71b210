/** What stands on the front of one page: each organic result's kind of target and whether it is ours. */
export interface FrontKinds {
  results: readonly { kind: string; own: boolean }[];
  /** Answer, image and video blocks of the page; one is ours when any of its slots is. */
  blocks: readonly { kind: string; own: boolean }[];
}

/**
 * Places that could be ours on a page (method §15, across surfaces): those we hold, one for every kind of target on the front
 * that is not ours yet, and every block somebody else holds.
 */
export function couldBeOurs({ results, blocks }: FrontKinds): { held: number; could: number } {
  const open = (list: FrontKinds['results']): number => {
    const ours = new Set(list.filter(({ own }) => own).map(({ kind }) => kind));
    return new Set(list.map(({ kind }) => kind).filter((kind) => !ours.has(kind))).size;
  };
  const heldBlocks = new Set(blocks.filter(({ own }) => own).map(({ kind }) => kind)).size;
  const held = results.filter(({ own }) => own).length + heldBlocks;
  return { held, could: held + open(results) + open(blocks) };
}
