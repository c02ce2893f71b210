import type { Action, Efforts } from '../gap/action';
import { ALTERNATIVES } from './alternatives/all';
import type { Outcome, PlanFacts } from './facts';

/** One alternative with what it is worth (method §8). */
export interface Weighed extends Outcome {
  action: Action;
  /** clicks · worth of a click · fit + what comes elsewhere − cost, a month. */
  value: number;
  /** Days of work. */
  effort: number;
  /** Value ÷ effort. */
  priority: number;
}

/** What an outcome is worth a month. */
export function valueOf(
  { clicks, elsewhere, cost }: Outcome,
  { worth, fit }: Pick<PlanFacts, 'worth' | 'fit'>,
): number {
  // What is off is nothing to work for, whatever it would bring elsewhere.
  return clicks * worth * fit + (fit === 0 ? 0 : elsewhere.value) - cost;
}

/** All alternatives of a keyword, the highest priority first; those of unknown value last, in the order of the table. */
export function weighAll(facts: PlanFacts, efforts: Efforts): Weighed[] {
  const weighed = ALTERNATIVES.filter((one) => one.applies(facts)).map((one): Weighed => {
    const action = one.action(facts);
    const outcome = one.outcome(facts);
    const value = valueOf(outcome, facts);
    return { ...outcome, action, value, effort: efforts[action], priority: value / efforts[action] };
  });
  return weighed.sort((a, b) =>
    Number.isNaN(a.priority) || Number.isNaN(b.priority)
      ? Number(Number.isNaN(a.priority)) - Number(Number.isNaN(b.priority))
      : b.priority - a.priority,
  );
}

/**
 * What somebody chose, where it can be done; else the alternative that brings most for a day of work. Where none is known to bring more than 0, but what one brings is
 * unknown, that one; `null` where none would bring anything.
 */
export function best(facts: PlanFacts, efforts: Efforts, chosen: Action | null = null): Weighed | null {
  const weighed = weighAll(facts, efforts);
  const own = weighed.find(({ action }) => action === chosen);
  if (own !== undefined) return own;
  const first = weighed[0];
  if (first !== undefined && first.value > 0) return first;
  return weighed.find(({ value }) => Number.isNaN(value)) ?? null;
}
