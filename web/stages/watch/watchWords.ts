import type { ChangeEffect, WatchStrip, WatchView } from '@opsimath/contract/api/watch';
import { count, decimal, spelledDay } from '../../parts/words/figures';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** “captured every day”, “captured on Mondays and Thursdays”. */
export function planWords({ weekdays }: Pick<WatchView['plan'], 'weekdays'>): string {
  if (weekdays.length === 0) return 'captures not scheduled';
  if (weekdays.length === 7) return 'captured every day';
  return `captured every ${weekdays.map((day) => WEEKDAYS[day - 1]).join(', ')}`;
}

/** “15 → 5”. */
export const movedWords = ({ then, now }: Pick<WatchStrip, 'then' | 'now'>): string => `${then} → ${now}`;

const signed = (value: number): string =>
  `${value > 0 ? '+' : value < 0 ? '−' : ''}${count(Math.abs(Math.round(value)))}`;

/** “+210 clicks a month, 120 to 310”. */
export const clicksWords = ({ middle, low, high }: { middle: number; low: number; high: number }): string =>
  `${signed(middle)} clicks a month, ${signed(low)} to ${signed(high)}`;

/** What can be said of a change in a few words. */
export function effectWord({ effect, mixedWith }: Pick<ChangeEffect, 'effect' | 'mixedWith'>): string {
  if (effect.state === 'lacking') return LACKS[effect.lacks];
  const word =
    effect.lasting === 'not enough data yet' ? 'gained; too early to say whether it holds' : effect.lasting;
  return mixedWith.length > 0 ? `mixed: ${word}` : word;
}

const LACKS = {
  'captures before': 'too few captures before it',
  'captures after': 'too early to tell',
  'control keywords': 'too few keywords beside it to compare with',
} as const;

export function readyWords({ effect }: Pick<ChangeEffect, 'effect'>): string {
  if (effect.state === 'told') return '';
  if (effect.ready !== null) return `can be told on ${spelledDay(effect.ready)}`;
  return effect.lacks === 'captures after'
    ? 'never with captures as they are planned'
    : effect.lacks === 'control keywords'
      ? 'track at least three that it does not touch'
      : 'track keywords two weeks before you change something';
}

/** The mean position of some captures; behind the last that is looked at it is absent. */
export const meanPosition = (value: number | null, depth = 100): string =>
  value === null ? 'unknown' : value > depth ? 'absent' : decimal(value, 1);

/** The whole of a market’s changes in one sentence: what holds, or is too new for that, counts; what fades is gone. */
export function effectsTitle(changes: readonly ChangeEffect[]): string {
  if (changes.length === 0) return 'Nothing has been changed yet';
  const told = changes.flatMap((change) =>
    change.effect.state === 'told' ? [{ ...change, effect: change.effect }] : [],
  );
  const head = `${changes.length} ${changes.length === 1 ? 'change' : 'changes'}`;
  if (told.length === 0) return `${head}, of none of them can it be told yet what it did`;
  const held = told.filter(
    ({ effect }) => effect.lasting === 'holds' || effect.lasting === 'not enough data yet',
  );
  if (held.length === 0) return `${head}, none of them holds`;
  // Of changes that are mixed with one another the joint effect counts once.
  const once = held.filter(({ mixedWith }, n) => !held.slice(n + 1).some(({ id }) => mixedWith.includes(id)));
  const sum = (of: (one: (typeof told)[number]['effect']) => number): number =>
    once.reduce((all, { effect }) => all + of(effect), 0);
  // Changes scatter on their own: the squares of their distances add up.
  const below = Math.sqrt(sum(({ clicks }) => (clicks.middle - clicks.low) ** 2));
  const above = Math.sqrt(sum(({ clicks }) => (clicks.high - clicks.middle) ** 2));
  const middle = sum(({ clicks }) => clicks.middle);
  return `${head}, ${held.length} of them ${held.length === 1 ? 'holds' : 'hold'}: ${signed(middle)} clicks a month, ${signed(middle - below)} to ${signed(middle + above)}`;
}

/** “indexed since 3 Feb 2026; before: waiting, from 1 Feb 2026”: the newest state with the day it began, and the one before. */
export function indexWords(checks: readonly { day: string; state: string }[]): string {
  const stretches: { day: string; state: string }[] = [];
  for (const check of checks) if (stretches.at(-1)?.state !== check.state) stretches.push(check);
  const [before, now] = [stretches.at(-2), stretches.at(-1)];
  if (!now) return 'never checked';
  return `${now.state} since ${spelledDay(now.day)}${before ? `; before: ${before.state}, from ${spelledDay(before.day)}` : ''}`;
}

/** Money for each unit of sales; `null` where nothing was sold. */
export const costOfSales = ({ cost, sales }: { cost: number; sales: number }): number | null =>
  sales > 0 ? cost / sales : null;
