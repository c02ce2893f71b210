/** What an audit takes at most: result pages of the target’s own keywords, rivals, rows of each of them, pages of gaps. */
export const OWN_PAGES = 80;
export const RIVALS = 4;
export const RIVAL_ROWS = 1500;
export const GAP_PAGES = 40;
/** Rivals are looked up down to this position: what stands deeper is no gap of anybody’s. */
export const RIVAL_DEPTH = 20;
const ROWS_A_UNIT = 100;

/** Units that an audit costs at most. @param rows keywords that the target ranks or pays for */
export function mostUnits(rows: number): number {
  const looked = (count: number): number => Math.ceil(count / ROWS_A_UNIT);
  // Rows, then searches and CPC of each keyword.
  return 2 * looked(rows) + OWN_PAGES + RIVALS * 2 * looked(RIVAL_ROWS) + GAP_PAGES;
}
