import type { Pool } from '../pool/pool';

/** What a pool's keywords have been judged to be: an index into VERDICTS each, and whether it was put off. */
export interface Judged {
  codes: Uint8Array;
  parked: Uint8Array;
}

/** Pool indices of keywords by id; those that are not in the pool are passed over. */
export function indicesOf({ indexOf, base }: Pool, ids: Iterable<number>): number[] {
  const indices: number[] = [];
  for (const id of ids) {
    const i = indexOf[id - base];
    if (i !== undefined && i >= 0) indices.push(i);
  }
  return indices;
}
