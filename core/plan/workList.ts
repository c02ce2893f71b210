import type { Action } from '../gap/action';

/** What a piece of work does to one keyword, a month; below 0 where it costs. */
export interface Served {
  /** Entry of the comparison. */
  entry: number;
  clicks: number;
  value: number;
}

/** One thing that could be done to one target of ours, or to one that is written for it. */
export interface WorkCandidate {
  action: Action;
  /** The target that it is done to; 0 for one that is not there yet, and for bids. */
  place: number;
  /** Entry of the keyword that it is done for. */
  lead: number;
  /** The lead among them. */
  serves: readonly Served[];
  /** Beside work, a month. */
  cost: number;
  /** Days of work. */
  effort: number;
}

/** A piece of work as it stands in the list: only gains that nothing before it has. */
export interface Work extends WorkCandidate {
  /** Σ value − cost, a month. */
  value: number;
  /** Value ÷ effort. */
  priority: number;
}

/**
 * The work that is worth doing (method §8), the most for a day of work first. A keyword’s gain counts once: for whatever
 * stands first; what a piece of work costs on other keywords counts always. A target takes one piece of work of each kind,
 * so that it gets one new title; a keyword leads once. What brings nothing beside what stands before it is left out.
 */
export function workList(candidates: readonly WorkCandidate[]): Work[] {
  const queue = candidates.map((candidate) => weighed(candidate, new Set())).filter(({ value }) => value > 0);
  queue.sort(byPriority);
  const list: Work[] = [];
  const gained = new Set<number>();
  const done = new Set<string>();
  const leads = new Set<number>();
  for (let head = 0; head < queue.length;) {
    const first = queue[head++]!;
    if (done.has(kindOf(first)) || leads.has(first.lead)) continue;
    const now = weighed(first, gained);
    if (now.value <= 0) continue;
    // Some of its gain was counted since: it goes back to where it belongs now.
    const next = queue[head];
    if (next !== undefined && byPriority(now, next) > 0) {
      insert(queue, head, now);
      continue;
    }
    list.push(now);
    leads.add(now.lead);
    if (now.place !== 0) done.add(kindOf(now));
    for (const { entry, clicks } of now.serves) if (clicks > 0) gained.add(entry);
  }
  return list;
}

const kindOf = ({ place, action }: WorkCandidate): string => (place === 0 ? '' : `${place}:${action}`);

/** Ties: more value, then the earlier entry. */
function byPriority(a: Work, b: Work): number {
  return b.priority - a.priority || b.value - a.value || a.lead - b.lead;
}

function weighed(candidate: WorkCandidate, gained: ReadonlySet<number>): Work {
  const serves = candidate.serves.filter(({ entry, clicks }) => clicks <= 0 || !gained.has(entry));
  const value = serves.reduce((sum, served) => sum + served.value, 0) - candidate.cost;
  return { ...candidate, serves, value, priority: value / candidate.effort };
}

function insert(queue: Work[], from: number, work: Work): void {
  let [low, high] = [from, queue.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (byPriority(queue[middle]!, work) <= 0) low = middle + 1;
    else high = middle;
  }
  queue.splice(low, 0, work);
}
