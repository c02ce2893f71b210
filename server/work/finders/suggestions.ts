import { key } from '@opsimath/core/text/key';
import type { FinderTask, Finding } from '../findKeywords';

/** What the search box proposes for the seed keyword, as it is and with a space after it. */
export function findSuggestions(task: FinderTask): Promise<Finding> {
  return proposals(task, [task.seed, `${task.seed} `]);
}

/** The same with each letter and digit of the market's alphabet after it. */
export function findLettersAfter(task: FinderTask): Promise<Finding> {
  return proposals(
    task,
    [...task.market.alphabet].map((letter) => `${task.seed} ${letter}`),
  );
}

/** The same with each letter before it. */
export function findLettersBefore(task: FinderTask): Promise<Finding> {
  return proposals(
    task,
    [...task.market.alphabet].map((letter) => `${letter} ${task.seed}`),
  );
}

async function proposals(
  { context, lookUp, market, seed }: FinderTask,
  prefixes: string[],
): Promise<Finding> {
  const { source, signal } = context;
  const found = new Map<string, { text: string; count: number }>();
  for (const prefix of prefixes) {
    signal.throwIfAborted();
    const texts = await source.suggestions({ market: market.code, date: lookUp.date, prefix, signal });
    for (const text of texts) found.set(key(text), found.get(key(text)) ?? { text, count: 0 });
  }
  found.delete(key(seed));
  return { found: [...found.values()], units: 0, message: null };
}
