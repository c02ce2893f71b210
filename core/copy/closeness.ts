import { key, words } from '../text/key';

const RUN = 5;

/** Above this share a text is too close to somebody else’s. */
export const TOO_CLOSE = 0.15;

/**
 * Share of a text’s runs of five words that stand in another text as well (needs of drafts): 0 where it has no such run.
 * Repeated runs count each time. Runs that stand in a keyword are nobody’s own: they do not count.
 *
 * @param keywords keys
 * @returns 0–1
 * @example closeness('a b c d e f', 'a b c d e x') // 0.5
 */
export function closeness(text: string, other: string, keywords: readonly string[] = []): number {
  const common = keywords.map((keyword) => ` ${keyword} `);
  const own = runsOf(text).filter((run) => !common.some((keyword) => keyword.includes(` ${run} `)));
  if (own.length === 0) return 0;
  const theirs = new Set(runsOf(other));
  return own.filter((run) => theirs.has(run)).length / own.length;
}

function runsOf(text: string): string[] {
  const all = words(key(text.replace(/\s+/g, ' ')));
  return Array.from({ length: Math.max(0, all.length - RUN + 1) }, (_, at) =>
    all.slice(at, at + RUN).join(' '),
  );
}
