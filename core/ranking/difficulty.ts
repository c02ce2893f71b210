import { median } from './statistics';

/** One organic slot of the front, as far as difficulty looks at it. */
export interface FrontSlot {
  /** 0–100, log-scaled; `null` where the service gave none. */
  authority: number | null;
  phraseInTitle: boolean;
}

/**
 * Difficulty 0–100, independent of us (method §6):
 * round(0.7 · median authority of the front + 30 · share of the front with the phrase in its title).
 * @returns `null` for an empty front, or one without any authority figure.
 * @example difficulty([{ authority: 60, phraseInTitle: true }, { authority: 40, phraseInTitle: false }]) // 50
 */
export function difficulty(front: readonly FrontSlot[]): number | null {
  const authority = median(front.flatMap((slot) => (slot.authority === null ? [] : [slot.authority])));
  if (authority === null) return null;
  const share = front.filter((slot) => slot.phraseInTitle).length / front.length;
  return Math.round(0.7 * authority + 30 * share);
}
