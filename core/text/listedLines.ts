import { key } from './key';

/** A line of a list that brings no keyword of its own. */
export interface LeftLine {
  text: string;
  why: 'holds no letter or number' | 'repeats one above it';
}

/** Lines of a list of keywords that bring nothing, in their order: those without a key (method §1), and repeats by key. */
export function leftLines(lines: readonly string[]): LeftLine[] {
  const seen = new Set<string>();
  return lines.flatMap((text): LeftLine[] => {
    const same = key(text);
    if (same === '') return [{ text, why: 'holds no letter or number' }];
    if (seen.has(same)) return [{ text, why: 'repeats one above it' }];
    seen.add(same);
    return [];
  });
}
