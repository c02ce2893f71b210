import type { ChangeEffect } from '@opsimath/contract/api/watch';
import { isoDayOf } from '@opsimath/core/day';
import { effectClicks } from '@opsimath/core/effect/effectClicks';
import { type Effect, type ScoreSeries, effectOf } from '@opsimath/core/effect/effectOf';
import { lastingOf } from '@opsimath/core/effect/lasting';
import { readyOn } from '@opsimath/core/effect/readyOn';
import type { OwnFigure } from '../facts/ownFigures';
import type { ChangeSpan } from './changeSeries';
import { type Comparison, demandOf, entryOf } from './comparison';

const MOST_LATER = 8;
type Told = Extract<Effect, { state: 'told' }>;
type Later = Extract<ChangeEffect['effect'], { state: 'told' }>['later'];

/** What was estimated of a change, and from what. */
interface Estimated {
  effect: Effect;
  treated: readonly ScoreSeries[];
  control: readonly ScoreSeries[];
  span: ChangeSpan;
  /** Day number of the date in scope, and days from one planned capture to the next. */
  today: number;
  every: number | null;
}

/** An effect with its clicks, its worth and whether it lasts; or what is still lacking, and when it will be there. */
export function effectFigures(comparison: Comparison, estimated: Estimated): ChangeEffect['effect'] {
  const { effect, treated, span, today, every } = estimated;
  if (effect.state === 'lacking') {
    const { day, windows } = span;
    const have = new Set(treated.flatMap(({ days }) => days.filter((one) => one >= day + windows.settle)))
      .size;
    const ready = effect.lacks === 'captures after' ? readyOn({ day, today, windows, every, have }) : null;
    return { ...effect, ready: ready === null ? null : isoDayOf(ready) };
  }
  const later = laterWindows(estimated);
  const clicks = {
    middle: clicksOf(comparison, effect, 0),
    low: clicksOf(comparison, effect, effect.low - effect.effect),
    high: clicksOf(comparison, effect, effect.high - effect.effect),
  };
  const worth = worthOf(comparison, effect);
  const { low, high, p, control } = effect;
  return {
    state: 'told',
    effect: effect.effect,
    ...{ low, high, p, control, clicks },
    worth: { middle: worth * clicks.middle, low: worth * clicks.low, high: worth * clicks.high },
    lasting: lastingOf(effect, later),
    later,
  };
}

/** The same told again over the windows that follow the first, as far as there are captures. */
function laterWindows({ treated, control, span: { day, windows }, today }: Estimated): Later {
  const later: Later = [];
  for (let n = 1; n <= MOST_LATER; n++) {
    const settle = windows.settle + n * windows.after;
    if (day + settle > today) break;
    const one = effectOf(treated, control, day, { ...windows, settle });
    if (one.state !== 'told') break;
    later.push({ from: isoDayOf(day + settle), effect: one.effect, low: one.low, high: one.high });
  }
  return later;
}

/** @param more added to every keyword’s effect: the distance of a limit of the interval */
function clicksOf(comparison: Comparison, { keywords }: Told, more: number): number {
  const searched = keywords.map((one) => ({ ...one, volume: demandOf(comparison, one.keyword) || 0 }));
  return effectClicks(searched, comparison.curve, comparison.market.depth, more);
}

/** Worth of a click, over the keywords by their demand. */
function worthOf(comparison: Comparison, { keywords }: Told): number {
  let [sum, weight] = [0, 0];
  for (const { keyword } of keywords) {
    const demand = demandOf(comparison, keyword);
    if (Number.isNaN(demand)) continue;
    sum += demand * comparison.columns.worth[entryOf(comparison, keyword)]!;
    weight += demand;
  }
  return weight > 0 ? sum / weight : comparison.project.settings.defaultWorth;
}

/** Own clicks a day on a change’s keywords in both windows: whether clicks followed; `null` where none are held. */
export function ownClicks(
  { rows, newest }: { rows: readonly OwnFigure[]; newest: number },
  { change, day, windows }: ChangeSpan,
): ChangeEffect['followed'] {
  const aimed = new Set(change.keywords.map(({ id }) => id));
  const own = rows.filter((row) => aimed.has(row.keyword));
  const within = (from: number, to: number): number =>
    own.reduce((sum, row) => (row.day >= from && row.day <= to ? sum + row.clicks : sum), 0);
  const from = day + windows.settle;
  const to = Math.min(newest, from + windows.after - 1);
  if (own.length === 0 || to < from) return null;
  return {
    before: within(day - windows.before, day - 1) / windows.before,
    after: within(from, to) / (to - from + 1),
  };
}
