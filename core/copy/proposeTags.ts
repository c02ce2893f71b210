import { words } from '../text/key';
import { type Limit } from './draftFields';
import { type WidthOf, measure } from './measure';

/** Something that could be a tag. */
export interface TagCandidate {
  key: string;
  text: string;
  /** Searches a month; 0 where they are unknown. */
  volume: number;
}

export interface ProposedTag {
  /** Place among the candidates. */
  candidate: number;
  /** Its words stand as a phrase in another proposed tag, which is more specific. */
  isGeneral: boolean;
}

export interface ProposedTags {
  tags: ProposedTag[];
  volume: number;
  /** What was left out and would come next, with how much room it lacks in the limit’s unit; `null` where nothing was left. */
  next: { candidate: number; lacking: number } | null;
}

/** What stands between two tags takes this much of a shared limit. */
const BETWEEN = 1;

/**
 * The tags of most searches together within a number and a room shared by all (method §12); the lead always, and first. Exact: a
 * knapsack of two limits, filled tag by tag. Then the most specific first (most words, then most searched), general ones last.
 *
 * @param candidates the lead first; of equal keys the first counts
 * @param most tags at most
 * @param room of all together, what stands between them included; whole units
 */
export function proposeTags(
  candidates: readonly TagCandidate[],
  most: number,
  room: Limit,
  widthOf?: WidthOf,
): ProposedTags {
  const sizes = candidates.map(({ text }) => Math.ceil(measure(text, room.unit, widthOf)) + BETWEEN);
  // The last one has nothing behind it.
  const whole = Math.floor(room.most) + BETWEEN;
  const seen = new Set<string>();
  const free = candidates.flatMap(({ key, volume }, n) => {
    if (seen.has(key) || (n > 0 && volume <= 0)) return [];
    seen.add(key);
    return [n];
  });
  const lead = free[0];
  if (lead === undefined || most < 1 || sizes[lead]! > whole) return { tags: [], volume: 0, next: null };
  const chosen = [
    lead,
    ...filled(
      free.slice(1),
      sizes,
      candidates.map(({ volume }) => volume),
      most - 1,
      whole - sizes[lead]!,
    ),
  ];
  const taken = new Set(chosen);
  const left = whole - chosen.reduce((sum, n) => sum + sizes[n]!, 0);
  const next = free
    .filter((n) => !taken.has(n))
    .sort((a, b) => candidates[b]!.volume - candidates[a]!.volume)[0];
  return {
    tags: inOrder(chosen, candidates),
    volume: chosen.reduce((sum, n) => sum + candidates[n]!.volume, 0),
    next: next === undefined ? null : { candidate: next, lacking: Math.max(0, sizes[next]! - left) },
  };
}

/** Which of the free ones to take, by their worth within a number and a room. */
function filled(
  free: readonly number[],
  sizes: readonly number[],
  worth: readonly number[],
  most: number,
  room: number,
): number[] {
  const width = room + 1;
  const best = new Float64Array((most + 1) * width);
  const took = free.map(() => new Uint8Array((most + 1) * width));
  free.forEach((n, at) => {
    const [size, value] = [sizes[n]!, worth[n]!];
    for (let count = most; count >= 1; count--)
      for (let used = room; used >= size; used--) {
        const here = count * width + used;
        const with1 = best[(count - 1) * width + used - size]! + value;
        if (with1 <= best[here]!) continue;
        best[here] = with1;
        took[at]![here] = 1;
      }
  });
  const chosen: number[] = [];
  let [count, used] = [most, room];
  for (let at = free.length - 1; at >= 0; at--) {
    if (took[at]![count * width + used] !== 1) continue;
    chosen.push(free[at]!);
    count--;
    used -= sizes[free[at]!]!;
  }
  return chosen;
}

function inOrder(chosen: readonly number[], candidates: readonly TagCandidate[]): ProposedTag[] {
  const phrases = chosen.map((n) => ` ${candidates[n]!.key} `);
  const tags = chosen.map((candidate, n): ProposedTag => ({
    candidate,
    isGeneral: phrases.some((phrase, other) => other !== n && phrase.includes(phrases[n]!)),
  }));
  const [lead, ...others] = tags;
  const length = ({ candidate }: ProposedTag): number => words(candidates[candidate]!.key).length;
  others.sort(
    (a, b) =>
      Number(a.isGeneral) - Number(b.isGeneral) ||
      length(b) - length(a) ||
      candidates[b.candidate]!.volume - candidates[a.candidate]!.volume,
  );
  return [lead!, ...others];
}
