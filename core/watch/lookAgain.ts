/** A look that is due after a change. */
export interface DueLook {
  /** Day number from which it is due, and which of the waits it is, in days. */
  since: number;
  wait: number;
}

/**
 * Which look after a change is due: the last wait that is over and that no capture since then has ticked off (method §16). Waits
 * that were passed over before it are over with it.
 *
 * @param change day number
 * @param waits days, ascending
 * @param looks day numbers of captures of its keywords
 * @returns `null` where nothing is due
 */
export function dueLook(
  change: number,
  waits: readonly number[],
  looks: readonly number[],
  today: number,
): DueLook | null {
  const over = waits.filter((wait) => change + wait <= today);
  const wait = over.at(-1);
  if (wait === undefined || looks.some((day) => day >= change + wait && day <= today)) return null;
  return { since: change + wait, wait };
}
