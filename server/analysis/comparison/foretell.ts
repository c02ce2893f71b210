import { type Distribution, bandClicks, expectedClickThrough, within } from '@opsimath/core/forecast/bands';
import {
  type Change,
  NO_CHANGE,
  PHRASE,
  forecastEntry,
  forecastStanding,
  standingInputs,
} from '@opsimath/core/forecast/forecast';
import { clickGradient, errorOf, gainError } from '@opsimath/core/forecast/gainError';
import { score } from '@opsimath/core/forecast/orderedLogit';
import type { Action } from '@opsimath/core/gap/action';
import {
  CHANCE_FEATURES,
  type CaptureMedians,
  type FieldStanding,
  chanceFeatures,
} from '@opsimath/core/gap/chance';
import type { ComparisonColumns, ElsewhereColumns, ForetoldColumns } from '@opsimath/core/gap/compare';
import type { Forecast } from '../models/forecast';

/** A target that was not touched for so many days is long untouched (method §8). */
const LONG_UNTOUCHED = 180;

/** Columns of what is foretold after something was done. */
type AfterName = 'retitled' | 'strengthened' | 'written';

/** Where it stands what is foretold of an action; those of ads are foretold nothing. */
export const FORETOLD_OF: Partial<Record<Action, AfterName>> = {
  retitle: 'retitled',
  'add the words': 'retitled',
  strengthen: 'strengthened',
  'new page': 'written',
  'new video': 'written',
  'new listing': 'written',
};

/** How unsure the click-through is that each action adds: its standard error; NaN where nothing tells. */
export type GainErrors = Record<AfterName, Float64Array>;

/** What serves a keyword now: where it stands, and its fields as far as they are known. */
export interface Serving {
  /** The place that serves; 0 where nobody knows which. */
  place: number;
  /** A column value, not unknown. */
  position: number;
  /** How many results of ours the captured page holds; 1 without a capture. */
  held: number;
  standing: FieldStanding | null;
  /** Its features beside the captured page’s medians; `null` without both, when they count as the middle. */
  features: readonly number[] | null;
}

/** The parts of a change, in words. */
const CHANGE_PARTS = [
  'the phrase in the title',
  'all words in the title',
  'all words in the other fields',
  'touched now',
] as const;

const MIDDLE: readonly number[] = [0, 0, 0, 0, 0, 0, 0];

/** What a title with the phrase and all words would change; `null` where nothing is missing from it. */
function retitling({ phraseInTitle, wordsInTitle }: FieldStanding): Change | null {
  if (phraseInTitle === 1 && wordsInTitle === 1) return null;
  return [1 - phraseInTitle, 1 - wordsInTitle, 0, 1, 0];
}

/** What all words in the other fields would change; `null` where none is missing and it was touched not long ago. */
function strengthening({ wordsInFields, daysSinceUpdate }: FieldStanding): Change | null {
  if (wordsInFields === 1 && (daysSinceUpdate ?? 0) <= LONG_UNTOUCHED) return null;
  return [0, 0, 1 - wordsInFields, 1, 0];
}

/** What an action changes in the target that serves. A new target changes nothing that is there. */
export const CHANGE_OF: Record<Exclude<AfterName, 'written'>, (standing: FieldStanding) => Change | null> = {
  retitled: retitling,
  strengthened: strengthening,
};

/** Foretells keyword by keyword; where only a position is known, from a table that is made once. */
export class Foreteller {
  private readonly clicks: Float64Array;
  private readonly plain: (Distribution | undefined)[] = [];

  constructor(
    private readonly forecast: Forecast,
    curve: Float64Array,
    private readonly front: number,
  ) {
    this.clicks = bandClicks(curve);
  }

  /** Where a target will stand that serves now, with a change or without. */
  standing({ position, features, held }: Serving, change: Change = NO_CHANGE): Distribution {
    if (features !== null) return this.of(position, features, change, held);
    if (change !== NO_CHANGE) return this.of(position, MIDDLE, change);
    return (this.plain[position] ??= this.of(position, MIDDLE, change));
  }

  /** What of the chance as it is each feature gives: less that of a page in the middle of the capture. */
  featuresOf(serving: Serving): { what: (typeof CHANCE_FEATURES)[number]; value: number; points: number }[] {
    const { position, features, held } = serving;
    if (features === null) return [];
    const all = within(this.standing(serving), this.front);
    return CHANCE_FEATURES.map((what, n) => {
      const without = features.map((value, other) => (other === n ? 0 : value));
      const chance = within(this.of(position, without, NO_CHANGE, held), this.front);
      return { what, value: features[n]!, points: 100 * (all - chance) };
    });
  }

  /** What of the chance after it each part of a change gives: less that without this part alone. */
  changesOf(serving: Serving, change: Change): { what: string; points: number }[] {
    const all = within(this.standing(serving, change), this.front);
    return CHANGE_PARTS.flatMap((what, n) => {
      if (change[n] === 0) return [];
      const without = change.map((value, other) => (other === n ? 0 : value)) as unknown as Change;
      return [{ what, points: 100 * (all - within(this.standing(serving, without), this.front)) }];
    });
  }

  /** Its score as it stands, from which everything is foretold; NaN where only a position is known. */
  scoreOf({ position, standing, features, held }: Serving): number {
    if (standing === null) return NaN;
    return score(this.forecast.model.standing.weights, standingInputs(position, features ?? MIDDLE, held));
  }

  /** The same of a target that is written for a keyword. */
  entryScoreOf(planned: FieldStanding, medians: CaptureMedians | null): number {
    return score(this.forecast.model.entry.weights, entryFeatures(planned, medians));
  }

  /** Where a target will stand that is written now. */
  written(standing: FieldStanding, medians: CaptureMedians | null): Distribution {
    return forecastEntry(this.forecast.model, entryFeatures(standing, medians));
  }

  private of(position: number, features: readonly number[], change: Change, held = 1): Distribution {
    return forecastStanding(this.forecast.model, position, features, change, held);
  }

  /** Fills what is foretold of a keyword that a target of ours serves. */
  noteServed(columns: ComparisonColumns, errors: GainErrors, i: number, serving: Serving): void {
    this.note(columns.asIs, i, this.standing(serving));
    const { standing } = serving;
    if (standing === null) return;
    for (const name of ['retitled', 'strengthened'] as const) {
      const change = CHANGE_OF[name](standing);
      if (change === null) continue;
      this.note(columns[name], i, this.standing(serving, change));
      errors[name][i] = this.errorOfChange(serving, change);
    }
  }

  /** Fills what is foretold of a keyword that nothing of ours serves: absent as it is, or a new target. */
  noteUnserved(
    columns: ComparisonColumns,
    errors: GainErrors,
    i: number,
    planned: FieldStanding,
    medians: CaptureMedians | null,
  ): void {
    columns.asIs.chance[i] = columns.asIs.clickThrough[i] = 0;
    this.note(columns.written, i, this.written(planned, medians));
    const { entry } = this.forecast;
    if (entry === null || medians === null) return;
    const features = entryFeatures(planned, medians);
    const gradient = clickGradient(entry, features, score(entry.weights, features), this.clicks);
    errors.written[i] = errorOf(gradient, entry.covariance);
  }

  private note({ chance, clickThrough }: ForetoldColumns, i: number, distribution: Distribution): void {
    chance[i] = within(distribution, this.front);
    clickThrough[i] = expectedClickThrough(distribution, this.clicks);
  }

  private errorOfChange({ position, features, held }: Serving, change: Change): number {
    const { fitted } = this.forecast;
    if (fitted === null || features === null) return NaN;
    const { standing: fit, changes, changesFit, spread } = fitted;
    return gainError(
      { standing: fit, changes, spread, changesCovariance: changesFit.covariance },
      { position, features, held },
      change,
      this.clicks,
    );
  }
}

/** Features of a target not written yet: nobody has seen it, its engagement counts as the middle. */
function entryFeatures(standing: FieldStanding, medians: CaptureMedians | null): readonly number[] {
  return medians === null ? MIDDLE : chanceFeatures({ ...standing, engagement: null }, medians);
}

/** Columns of a forecast that nothing is known of yet. */
export function unforetold(size: number): Record<'asIs' | AfterName, ForetoldColumns> {
  const unknown = (): ForetoldColumns => ({
    chance: new Float64Array(size).fill(NaN),
    clickThrough: new Float64Array(size).fill(NaN),
  });
  return { asIs: unknown(), retitled: unknown(), strengthened: unknown(), written: unknown() };
}

/** Columns of what an action does elsewhere, before anything is known to. */
export function nothingElsewhere(
  size: number,
): Record<'elsewhereRetitled' | 'elsewhereStrengthened', ElsewhereColumns> {
  const nothing = (): ElsewhereColumns => ({ clicks: new Float64Array(size), value: new Float64Array(size) });
  return { elsewhereRetitled: nothing(), elsewhereStrengthened: nothing() };
}

/** What serves a keyword. @param medians of the captured page, `null` without one */
export function servingBy(
  at: Pick<Serving, 'place' | 'position' | 'held'>,
  standing: FieldStanding | null,
  medians: CaptureMedians | null,
): Serving {
  const isKnown = standing !== null && medians !== null;
  return { ...at, standing, features: isKnown ? chanceFeatures(standing, medians) : null };
}

/** Its feature *phrase in title*, relative to the capture. */
export const phraseGapOf = ({ features }: Serving): number => (features ?? MIDDLE)[PHRASE]!;
