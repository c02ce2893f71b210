import type { WorkCandidate } from './workList';

/** What people have taken on already, in the terms of a comparison. */
export interface Taken {
  /** Entries of keywords whose gain somebody is working for. */
  gained: ReadonlySet<number>;
  /** Entries of keywords that lead a piece of work, with its action: `12 retitle`. */
  leads: ReadonlySet<string>;
  /** Targets that are being worked on, with the action: `4 retitle`. */
  places: ReadonlySet<string>;
}

/**
 * What is left to do beside what was taken on (method §11): nothing twice of one kind to one target or for one keyword, and
 * no gain that somebody is working for already; losses stay.
 */
export function leftToDo(
  candidates: readonly WorkCandidate[],
  { gained, leads, places }: Taken,
): WorkCandidate[] {
  return candidates.flatMap((candidate) => {
    const { action, place, lead, serves } = candidate;
    if (leads.has(`${lead} ${action}`) || (place !== 0 && places.has(`${place} ${action}`))) return [];
    const left = serves.filter(({ entry, clicks }) => clicks <= 0 || !gained.has(entry));
    return [left.length === serves.length ? candidate : { ...candidate, serves: left }];
  });
}
