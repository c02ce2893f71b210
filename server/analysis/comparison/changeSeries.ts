import type { PublishedChange } from '@opsimath/contract/api/drafts';
import type { ChangeEffect } from '@opsimath/contract/api/watch';
import { dayOf } from '@opsimath/core/day';
import type { EffectWindows, ScoreSeries } from '@opsimath/core/effect/effectOf';
import { score } from '@opsimath/core/effect/score';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import type { Watched } from '../facts/watchedSeries';
import type { Comparison } from './comparison';

/** Days on either side of a change that its curve shows. */
const DRAWN = 60;

/** A change with the windows over which it could be seen; day numbers, both ends included. */
export interface ChangeSpan {
  change: PublishedChange;
  day: number;
  windows: EffectWindows;
  from: number;
  to: number;
}

/** Scores of keywords around changes, and who is held against whom (method §16). */
export class ChangeSeries {
  private readonly scores = new Map<number, ScoreSeries>();
  /** Day numbers of the series. */
  private readonly days: readonly number[];
  private readonly addresses: ReadonlyMap<number, string>;

  /** @param changes those that were made by the date */
  constructor(
    private readonly comparison: Comparison,
    private readonly watched: Watched,
    private readonly changes: readonly PublishedChange[],
  ) {
    const { series, rowOf } = watched;
    const { market, sides, date } = comparison;
    const today = dayOf(date);
    this.days = series.days.map(dayOf).filter((day) => day <= today);
    this.addresses = new Map(sides.ownPlaces.map(({ id, address }) => [id, address]));
    for (const [keyword, row] of rowOf) {
      const [days, scores]: [number[], number[]] = [[], []];
      this.days.forEach((day, n) => {
        const position = series.organic[0]![n]![row]!;
        if (position === UNKNOWN) return;
        days.push(day);
        scores.push(score(position, market.depth));
      });
      if (days.length > 0) this.scores.set(keyword, { keyword, days, scores });
    }
  }

  /** A change with its windows: it can do nothing before search shows it. */
  spanOf(change: PublishedChange): ChangeSpan {
    const day = dayOf(change.date);
    const usual = this.comparison.project.settings.effectWindows;
    const shown = change.seenFrom === null ? 0 : Math.max(0, dayOf(change.seenFrom) - day);
    const windows = { ...usual, settle: Math.max(usual.settle, shown) };
    return {
      change,
      day,
      windows,
      from: day - windows.before,
      to: day + windows.settle + windows.after - 1,
    };
  }

  /** Scores of keywords by day, ours, up to the date in scope; those that were never captured are left out. */
  of(keywords: readonly number[]): ScoreSeries[] {
    return keywords.flatMap((keyword) => this.scores.get(keyword) ?? []);
  }

  /** Other changes of the same target within the windows of this one. */
  mixedWith({ change, from, to }: ChangeSpan): number[] {
    return this.within(from, to)
      .filter(({ id, address }) => id !== change.id && address === change.address)
      .map(({ id }) => id);
  }

  /** Tracked keywords that no change of these weeks aims at, and that no changed target of ours stands for. */
  beside({ from, to }: ChangeSpan): number[] {
    const { tracked, series, rowOf } = this.watched;
    const inside = this.within(from, to);
    const aimed = new Set(inside.flatMap(({ keywords }) => keywords.map(({ id }) => id)));
    const touched = new Set(inside.map(({ address }) => address));
    const days = this.days.flatMap((day, n) => (day >= from && day <= to ? [n] : []));
    return tracked.filter((id) => {
      const row = rowOf.get(id);
      if (aimed.has(id) || row === undefined) return false;
      return !days.some((n) => touched.has(this.addresses.get(series.ownPlace[n]![row]!) ?? ''));
    });
  }

  /** Mean scores of keywords, and of those beside them, on the days around a change. */
  curve(
    aimed: readonly number[],
    beside: readonly number[],
    { day: changed }: ChangeSpan,
  ): ChangeEffect['curve'] {
    const { series, rowOf } = this.watched;
    const { depth } = this.comparison.market;
    const rowsOf = (ids: readonly number[]): number[] => ids.flatMap((id) => rowOf.get(id) ?? []);
    const [ours, others] = [rowsOf(aimed), rowsOf(beside)];
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
    return this.days.flatMap((day, n) => {
      if (Math.abs(day - changed) > DRAWN) return [];
      const [treated, control] = [meanOf(ours, n), meanOf(others, n)];
      return treated === null && control === null ? [] : [{ date: series.days[n]!, treated, control }];
    });
  }

  private within(from: number, to: number): PublishedChange[] {
    return this.changes.filter(({ date }) => dayOf(date) >= from && dayOf(date) <= to);
  }
}
