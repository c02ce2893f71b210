import type { ChangeEffect, EffectsView, watchQuery } from '@opsimath/contract/api/watch';
import type { PublishedChange } from '@opsimath/contract/api/drafts';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { type Effect, type EffectWindows, type ScoreSeries, effectOf } from '@opsimath/core/effect/effectOf';
import { effectClicks } from '@opsimath/core/effect/effectClicks';
import { lastingOf } from '@opsimath/core/effect/lasting';
import { readyOn } from '@opsimath/core/effect/readyOn';
import { positionOfScore, score } from '@opsimath/core/effect/score';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import { daysApart } from '@opsimath/core/watch/schedule';
import type { z } from 'zod';
import { listTasks } from '../../data/tasks';
import { watchPlans } from '../../data/watchPlans';
import { type Comparison, entryOf } from '../comparison/comparison';
import { type OpenComparison, openComparison } from '../comparison/openComparison';
import type { DaySeries } from '../facts/daySeries';
import { watchedSeries } from '../facts/watchedSeries';
import { type OwnFigure, ownFigures } from '../facts/ownFigures';
import type { Workspace } from '../kept/workspace';

const MOST_LATER = 8;
/** Days on either side of a change that its curve shows. */
const DRAWN = 60;

/** What the effects of all changes are told from. */
interface Ground {
  comparison: Comparison;
  series: DaySeries;
  rowOf: ReadonlyMap<number, number>;
  /** Own targets by place id. */
  addresses: ReadonlyMap<number, string>;
  tracked: readonly number[];
  changes: readonly PublishedChange[];
  windows: EffectWindows;
  today: number;
  /** Days from one planned capture to the next. */
  every: number | null;
  foretold: ReadonlyMap<number, number>;
  own: readonly OwnFigure[];
}

/** What each change of a market did, as far as it can be told (method §16). */
export async function effects(
  workspace: Workspace,
  projectId: number,
  { market, date }: Pick<z.output<typeof watchQuery>, 'market' | 'date'>,
): Promise<EffectsView> {
  const opened = await openComparison(workspace, projectId, { market, date });
  return workspace.keep('effects', opened.revisions, [opened.name], () =>
    gather(workspace, projectId, opened),
  );
}

/** Tasks of a market whose effect can be told by a date. */
export async function measuredTasks(
  workspace: Workspace,
  projectId: number,
  scope: { market: string; date: string },
): Promise<ReadonlySet<number>> {
  const { changes } = await effects(workspace, projectId, scope);
  return new Set(
    changes.flatMap(({ task, effect }) => (task !== null && effect.state === 'told' ? [task] : [])),
  );
}

async function gather(
  workspace: Workspace,
  projectId: number,
  { comparison, revisions }: OpenComparison,
): Promise<EffectsView> {
  const { database } = workspace;
  const { market, sides, project, date } = comparison;
  const { tracked, series, rowOf, ...watched } = await watchedSeries(
    workspace,
    projectId,
    revisions,
    market,
    sides,
  );
  const changes = watched.changes.filter((one) => one.date <= date && one.state !== 'asked');
  const [plan] = await watchPlans(database, { project: projectId, market: market.id });
  const { rows: own } = await ownFigures(workspace, revisions, projectId, market.id, date);
  const ground: Ground = {
    comparison,
    series,
    rowOf,
    addresses: new Map(sides.ownPlaces.map(({ id, address }) => [id, address])),
    tracked,
    changes,
    windows: project.settings.effectWindows,
    today: dayOf(date),
    every: daysApart(plan?.weekdays ?? []),
    foretold: new Map((await listTasks(database, projectId)).map(({ id, clicks }) => [id, clicks])),
    own,
  };
  const told = changes.map((change) => toldChange(ground, change));
  return { currency: project.settings.currency, changes: told, kinds: byKind(told) };
}

function toldChange(ground: Ground, change: PublishedChange): ChangeEffect {
  const { comparison, foretold } = ground;
  const day = dayOf(change.date);
  // It can do nothing before search shows it.
  const shown = change.seenFrom === null ? 0 : Math.max(0, dayOf(change.seenFrom) - day);
  const windows = { ...ground.windows, settle: Math.max(ground.windows.settle, shown) };
  const mixedWith = overlapping(ground, change, windows);
  const aimed = change.keywords.map(({ id }) => id);
  const beside = controlOf(ground, change, windows);
  const treated = seriesOf(ground, aimed);
  const control = seriesOf(ground, beside);
  const effect = effectOf(treated, control, day, windows);
  const means = new Map(effect.state === 'told' ? effect.keywords.map((one) => [one.keyword, one]) : []);
  const depth = comparison.market.depth;
  const place = (value: number | undefined): number | null =>
    value === undefined ? null : positionOfScore(value, depth);
  return {
    id: change.id,
    date: change.date,
    kind: change.kind,
    address: change.address,
    note: change.note,
    seenFrom: change.seenFrom,
    draft: change.draft,
    task: change.task,
    mixedWith,
    foretold: change.task === null ? null : (foretold.get(change.task) ?? null),
    keywords: change.keywords.map(({ id, text }) => ({
      id,
      text,
      before: place(means.get(id)?.before),
      after: place(means.get(id)?.after),
    })),
    effect: toldEffect(ground, { effect, treated, control, day, windows }),
    curve: curveOf(ground, aimed, beside, day),
    followed: followedBy(ground, change, day, windows),
  };
}

interface Estimated {
  effect: Effect;
  treated: readonly ScoreSeries[];
  control: readonly ScoreSeries[];
  day: number;
  windows: EffectWindows;
}

function toldEffect(
  ground: Ground,
  { effect, treated, control, day, windows }: Estimated,
): ChangeEffect['effect'] {
  const { today, every, comparison } = ground;
  if (effect.state === 'lacking') {
    const from = day + windows.settle;
    const have = new Set(treated.flatMap(({ days }) => days.filter((one) => one >= from))).size;
    const ready = effect.lacks === 'captures after' ? readyOn({ day, today, windows, every, have }) : null;
    return { ...effect, ready: ready === null ? null : isoDayOf(ready) };
  }
  const later = laterWindows({ effect, treated, control, day, windows }, today);
  const clicksWith = (more: number): number => clicksOf(comparison, effect.keywords, more);
  const clicks = {
    middle: clicksWith(0),
    low: clicksWith(effect.low - effect.effect),
    high: clicksWith(effect.high - effect.effect),
  };
  const worth = worthOf(comparison, effect.keywords);
  const worthAt = (value: number): number => value * worth;
  return {
    state: 'told',
    effect: effect.effect,
    low: effect.low,
    high: effect.high,
    p: effect.p,
    control: effect.control,
    clicks,
    worth: { middle: worthAt(clicks.middle), low: worthAt(clicks.low), high: worthAt(clicks.high) },
    lasting: lastingOf(
      effect,
      later.map(({ low, high }) => ({ state: 'told' as const, low, high })),
    ),
    later,
  };
}

/** The same told again over the windows that follow the first, as far as there are captures. */
function laterWindows({ treated, control, day, windows }: Estimated, today: number) {
  const later: { from: string; effect: number; low: number; high: number }[] = [];
  for (let n = 1; n <= MOST_LATER; n++) {
    const settle = windows.settle + n * windows.after;
    if (day + settle > today) break;
    const one = effectOf(treated, control, day, { ...windows, settle });
    if (one.state !== 'told') break;
    later.push({ from: isoDayOf(day + settle), effect: one.effect, low: one.low, high: one.high });
  }
  return later;
}

/** Scores of keywords by day, ours, up to the date in scope. */
function seriesOf({ series, rowOf, today, comparison }: Ground, ids: readonly number[]): ScoreSeries[] {
  const { depth } = comparison.market;
  return ids.flatMap((keyword) => {
    const row = rowOf.get(keyword);
    if (row === undefined) return [];
    const [days, scores]: [number[], number[]] = [[], []];
    series.days.forEach((date, n) => {
      const position = series.organic[0]![n]![row]!;
      if (position === UNKNOWN || dayOf(date) > today) return;
      days.push(dayOf(date));
      scores.push(score(position, depth));
    });
    return days.length > 0 ? [{ keyword, days, scores }] : [];
  });
}

/** Days over which a change could be seen. */
const spanOf = (change: PublishedChange, windows: EffectWindows) => {
  const day = dayOf(change.date);
  return { from: day - windows.before, to: day + windows.settle + windows.after - 1 };
};

/** Other changes of the same target within the windows of this one. */
function overlapping({ changes }: Ground, change: PublishedChange, windows: EffectWindows): number[] {
  const { from, to } = spanOf(change, windows);
  return changes
    .filter(({ id, address, date }) => {
      const day = dayOf(date);
      return id !== change.id && address === change.address && day >= from && day <= to;
    })
    .map(({ id }) => id);
}

/** Tracked keywords that no change of these weeks aims at, and that no changed target of ours stands for. */
function controlOf(
  { changes, tracked, series, rowOf, addresses }: Ground,
  change: PublishedChange,
  windows: EffectWindows,
): number[] {
  const { from, to } = spanOf(change, windows);
  const inside = changes.filter(({ date }) => dayOf(date) >= from && dayOf(date) <= to);
  const aimed = new Set(inside.flatMap(({ keywords }) => keywords.map(({ id }) => id)));
  const touched = new Set(inside.map(({ address }) => address));
  return tracked.filter((id) => {
    const row = rowOf.get(id);
    if (aimed.has(id) || row === undefined) return false;
    return !series.days.some((date, n) => {
      const day = dayOf(date);
      const address = addresses.get(series.ownPlace[n]![row]!);
      return day >= from && day <= to && address !== undefined && touched.has(address);
    });
  });
}

/** Mean scores of keywords and of those beside them on the days around a change. */
function curveOf(
  { series, rowOf, comparison, today }: Ground,
  aimed: readonly number[],
  control: readonly number[],
  day: number,
): ChangeEffect['curve'] {
  const { depth } = comparison.market;
  const rowsOf = (ids: readonly number[]): number[] => ids.flatMap((id) => rowOf.get(id) ?? []);
  const [treated, beside] = [rowsOf(aimed), rowsOf(control)];
  const meanOf = (rows: readonly number[], n: number): number | null => {
    let [sum, known] = [0, 0];
    for (const row of rows) {
      const position = series.organic[0]![n]![row]!;
      if (position === UNKNOWN) continue;
      sum += score(position, depth);
      known++;
    }
    return known === 0 ? null : sum / known;
  };
  return series.days.flatMap((date, n) => {
    if (Math.abs(dayOf(date) - day) > DRAWN || dayOf(date) > today) return [];
    const [ours, theirs] = [meanOf(treated, n), meanOf(beside, n)];
    return ours === null && theirs === null ? [] : [{ date, treated: ours, control: theirs }];
  });
}

type KeywordEffects = Extract<Effect, { state: 'told' }>['keywords'];

function clicksOf(comparison: Comparison, keywords: KeywordEffects, more: number): number {
  const { columns, curve, market } = comparison;
  const searched = keywords.map((one) => {
    const entry = entryOf(comparison, one.keyword);
    const volume = entry < 0 ? NaN : columns.expectedVolume[entry]!;
    return { ...one, volume: Number.isNaN(volume) ? 0 : volume };
  });
  return effectClicks(searched, curve, market.depth, more);
}

/** Worth of a click, over the keywords by their demand. */
function worthOf(comparison: Comparison, keywords: KeywordEffects): number {
  let [sum, weight] = [0, 0];
  for (const { keyword } of keywords) {
    const entry = entryOf(comparison, keyword);
    if (entry < 0) continue;
    const demand = comparison.columns.expectedVolume[entry]!;
    if (Number.isNaN(demand)) continue;
    sum += demand * comparison.columns.worth[entry]!;
    weight += demand;
  }
  return weight > 0 ? sum / weight : comparison.project.settings.defaultWorth;
}

/** Own clicks a day on its keywords in both windows: whether clicks followed. */
function followedBy(
  { own }: Ground,
  { keywords }: PublishedChange,
  day: number,
  windows: EffectWindows,
): ChangeEffect['followed'] {
  const aimed = new Set(keywords.map(({ id }) => id));
  const rows = own.filter((row) => aimed.has(row.keyword));
  const last = own.reduce((most, row) => Math.max(most, row.day), 0);
  const within = (from: number, to: number): number =>
    rows.reduce((sum, row) => (row.day >= from && row.day <= to ? sum + row.clicks : sum), 0);
  const after = { from: day + windows.settle, to: Math.min(last, day + windows.settle + windows.after - 1) };
  if (rows.length === 0 || after.to < after.from) return null;
  return {
    before: within(day - windows.before, day - 1) / windows.before,
    after: within(after.from, after.to) / (after.to - after.from + 1),
  };
}

/** What kinds of change have worked here, and how that compares with what was foretold. */
function byKind(changes: readonly ChangeEffect[]): EffectsView['kinds'] {
  const kinds = new Map<ChangeEffect['kind'], EffectsView['kinds'][number]>();
  for (const { kind, effect, foretold, mixedWith } of changes) {
    if (effect.state !== 'told' || mixedWith.length > 0) continue;
    const known = kinds.get(kind) ?? { kind, told: 0, gained: 0, clicks: 0, foretold: null };
    kinds.set(kind, {
      kind,
      told: known.told + 1,
      gained: known.gained + Number(effect.low > 0),
      clicks: known.clicks + effect.clicks.middle,
      foretold: foretold === null ? known.foretold : (known.foretold ?? 0) + foretold,
    });
  }
  return [...kinds.values()].sort((a, b) => b.told - a.told);
}
