import { leftLines } from '@opsimath/core/text/listedLines';
import type { FinderTask, Finding } from '../findKeywords';

const NAMED = 5;

/** Keywords that were given: the same, in the same order, nothing added. What repeats and what is no keyword is named. */
export async function findListed({ lookUp }: FinderTask): Promise<Finding> {
  const { keywords } = lookUp.request;
  const left = leftLines(keywords);
  const of = (why: string): string[] => left.filter((line) => line.why === why).map(({ text }) => text);
  const parts = [
    said(of('holds no letter or number'), 'holds no letter or number', 'hold no letter or number'),
    said(of('repeats one above it'), 'repeats one above it', 'repeat one above them'),
  ].filter((part) => part !== null);
  return {
    found: keywords.map((text) => ({ text, count: 0 })),
    units: 0,
    message: parts.length > 0 ? parts.join('; ') : null,
  };
}

/** How many lines there are of a sort, with the first of them; `null` for none. */
export function said(lines: readonly string[], one: string, many: string): string | null {
  if (lines.length === 0) return null;
  const named = lines.slice(0, NAMED).map((line) => `“${line}”`);
  const more = lines.length > NAMED ? ', …' : '';
  return `${lines.length} ${lines.length === 1 ? 'line' : 'lines'} ${lines.length === 1 ? one : many} (${named.join(', ')}${more})`;
}
