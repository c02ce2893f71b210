import type { ChangeEffect, WatchStrip, WatchView } from '@opsimath/contract/api/watch';
import { count, decimal, placed, spelledDay } from '../../parts/words/figures';
import { t, wordOf } from '../../words/t';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** “captured every day”, “captured on Mondays and Thursdays”. */
export function planWords({ weekdays }: Pick<WatchView['plan'], 'weekdays'>): string {
  if (weekdays.length === 0) return t('watch:watchWords.capturesNotScheduled');
  if (weekdays.length === 7) return t('watch:watchWords.capturedEveryDay');
  return t('watch:watchWords.capturedEveryWeekdays', {
    weekdays: weekdays.map((day) => wordOf(WEEKDAYS[day - 1]!)).join(', '),
  });
}

/** “15 → 5”. */
export const movedWords = ({ then, now }: Pick<WatchStrip, 'then' | 'now'>): string =>
  `${placed(then)} → ${placed(now)}`;

const signed = (value: number): string =>
  `${value > 0 ? '+' : value < 0 ? '−' : ''}${count(Math.abs(Math.round(value)))}`;

/** “+210 clicks a month, 120 to 310”. */
export const clicksWords = ({ middle, low, high }: { middle: number; low: number; high: number }): string =>
  t('watch:watchWords.signedClicksAMonthSigned2To', {
    signed: signed(middle),
    signed2: signed(low),
    signed3: signed(high),
  });

/** What can be said of a change in a few words. */
export function effectWord({ effect, mixedWith }: Pick<ChangeEffect, 'effect' | 'mixedWith'>): string {
  if (effect.state === 'lacking') return LACKS[effect.lacks];
  const lasting =
    effect.lasting === 'not enough data yet'
      ? t('watch:watchWords.gainedTooEarlyToSayWhether')
      : wordOf(effect.lasting);
  return mixedWith.length > 0 ? t('watch:watchWords.mixedWord', { word: lasting }) : lasting;
}

const LACKS = {
  'captures before': t('watch:watchWords.tooFewCapturesBeforeIt'),
  'captures after': t('watch:watchWords.tooEarlyToTell'),
  'control keywords': t('watch:watchWords.tooFewKeywordsBesideItTo'),
} as const;

export function readyWords({ effect }: Pick<ChangeEffect, 'effect'>): string {
  if (effect.state === 'told') return '';
  if (effect.ready !== null)
    return t('watch:watchWords.canBeToldOnReady', { ready: spelledDay(effect.ready) });
  return effect.lacks === 'captures after'
    ? t('watch:watchWords.neverWithCapturesAsTheyAre')
    : effect.lacks === 'control keywords'
      ? t('watch:watchWords.trackAtLeastThreeThatIt')
      : t('watch:watchWords.trackKeywordsTwoWeeksBeforeYou');
}

/** The mean position of some captures; behind the last that is looked at it is absent. */
export const meanPosition = (value: number | null, depth = 100): string =>
  value === null
    ? t('watch:watchWords.unknown')
    : value > depth
      ? t('watch:watchWords.absent')
      : decimal(value, 1);

/** The whole of a market’s changes in one sentence: what holds, or is too new for that, counts; what fades is gone. */
export function effectsTitle(changes: readonly ChangeEffect[]): string {
  if (changes.length === 0) return t('watch:watchWords.nothingHasBeenChangedYet');
  const told = changes.flatMap((change) =>
    change.effect.state === 'told' ? [{ ...change, effect: change.effect }] : [],
  );
  const head = `${changes.length} ${changes.length === 1 ? t('watch:watchWords.change') : t('watch:watchWords.changes')}`;
  if (told.length === 0) return t('watch:watchWords.headOfNoneOfThemCan', { head });
  const held = told.filter(
    ({ effect }) => effect.lasting === 'holds' || effect.lasting === 'not enough data yet',
  );
  if (held.length === 0) return t('watch:watchWords.headNoneOfThemHolds', { head });
  // Of changes that are mixed with one another the joint effect counts once.
  const once = held.filter(({ mixedWith }, n) => !held.slice(n + 1).some(({ id }) => mixedWith.includes(id)));
  const sum = (of: (one: (typeof told)[number]['effect']) => number): number =>
    once.reduce((all, { effect }) => all + of(effect), 0);
  // Changes scatter on their own: the squares of their distances add up.
  const below = Math.sqrt(sum(({ clicks }) => (clicks.middle - clicks.low) ** 2));
  const above = Math.sqrt(sum(({ clicks }) => (clicks.high - clicks.middle) ** 2));
  const middle = sum(({ clicks }) => clicks.middle);
  return t('watch:watchWords.headHeldOfThemWhichSigned', {
    head,
    held: held.length,
    which: held.length === 1 ? t('watch:watchWords.holds') : t('watch:watchWords.hold'),
    signed: signed(middle),
    signed2: signed(middle - below),
    signed3: signed(middle + above),
  });
}

/** “indexed since 3 Feb 2026; before: waiting, from 1 Feb 2026”: the newest state with the day it began, and the one before. */
export function indexWords(checks: readonly { day: string; state: string }[]): string {
  const stretches: { day: string; state: string }[] = [];
  for (const check of checks) if (stretches.at(-1)?.state !== check.state) stretches.push(check);
  const [before, now] = [stretches.at(-2), stretches.at(-1)];
  if (!now) return t('watch:watchWords.neverChecked');
  return t('watch:watchWords.stateSinceDayWhich', {
    state: now.state,
    day: spelledDay(now.day),
    which: before
      ? t('watch:watchWords.beforeStateFromDay', { state: before.state, day: spelledDay(before.day) })
      : '',
  });
}

/** Money for each unit of sales; `null` where nothing was sold. */
export const costOfSales = ({ cost, sales }: { cost: number; sales: number }): number | null =>
  sales > 0 ? cost / sales : null;
