import { BAND_COUNT } from '@opsimath/core/forecast/bands';
import { ACTIONS } from '@opsimath/core/gap/action';
import { CHANCE_FEATURES } from '@opsimath/core/gap/chance';
import { OWN_PERIODS, readPeriod } from '@opsimath/core/demand/period';
import { z } from 'zod';
import { isoDay, slotKind, sourceMetrics } from '../source/answers';
import { comparisonScope } from './gapQuery';
import { gapRow, rivalColumn } from './gaps';
import { elsewhere } from './reasonFacts';
import { position } from './position';

/** A comparison, and the period over which own search performance is read. */
export const dossierQuery = comparisonScope.extend({
  own: z
    .string()
    .refine(
      (text) => readPeriod(text) !== null,
      `a period is ${OWN_PERIODS.join(', ')}, or two days joined by ..`,
    )
    .default('28 days'),
});
export type DossierQuery = z.input<typeof dossierQuery>;

export const shownSlot = z.object({
  slot: z.int(),
  kind: slotKind,
  position: z.int().nullable(),
  side: z.enum(['own', 'rival', 'other']),
  letter: z.string().nullable(),
  owner: z.string().nullable(),
  /** Page, video or listing. */
  what: z.string().nullable(),
  address: z.string().nullable(),
  title: z.string().nullable(),
  description: z.string().nullable(),
  authority: z.number().nullable(),
  phraseInTitle: z.boolean().nullable(),
  /** Days since it was published. */
  age: z.number().nullable(),
  /** What its surface shows of it: price, rating, reviews, sales rank; views, likes, length. */
  figures: z.record(z.string(), z.number()),
});
export const shownPage = z.object({
  date: isoDay,
  source: z.string(),
  depth: z.int(),
  results: z.number().nullable(),
  slots: z.array(shownSlot),
});
export type ShownPage = z.infer<typeof shownPage>;

export const historyPoint = z.object({
  date: isoDay,
  source: z.string(),
  own: position,
  ownPaid: position,
  rivals: z.array(position),
  rivalsPaid: z.array(position),
  /** Ads on the captured page, whoever’s; `null` on days without a capture. */
  ads: z.int().nullable(),
});
export type HistoryPoint = z.infer<typeof historyPoint>;

/** One line of the sum that led to a priority. */
export const sumLine = z.object({
  name: z.string(),
  value: z.string(),
  how: z.string(),
  source: z.string(),
  estimated: z.boolean(),
});
export type SumLine = z.infer<typeof sumLine>;

/** Probability of each band of positions, in the order of BAND_NAMES; together 1. */
const distribution = z.array(z.number()).length(BAND_COUNT);
/** One thing that can be done, the highest priority first; money in the project’s currency, a month. */
export const alternative = z.object({
  action: z.enum(ACTIONS),
  clicks: z.number().nullable(),
  /** On other keywords of the same page, and what all of them are worth. */
  elsewhere: elsewhere.nullable(),
  elsewhereValue: z.number(),
  cost: z.number().nullable(),
  /** Of standing within the front after it. */
  chance: z.number().nullable(),
  value: z.number().nullable(),
  effort: z.number(),
  priority: z.number().nullable(),
  /** Where we would stand then. */
  after: distribution,
  /** What of the chance each change gives, in points: its chance less that without this change alone. */
  gives: z.array(z.object({ what: z.string(), points: z.number() })),
});
export type Alternative = z.infer<typeof alternative>;

/** What to do about a keyword; `null` leaves it to what is worth most. */
export const actionChoice = z.object({
  action: z.enum(ACTIONS).nullable(),
  person: z.string().trim().max(80).default(''),
});
export type ActionChoice = z.input<typeof actionChoice>;

export const dossier = z.object({
  row: gapRow,
  /** Where we will stand if nothing is done; `null` where our position or that of all rivals is unknown. */
  forecast: z
    .object({
      horizon: z.int(),
      fitted: z.boolean(),
      asIs: distribution,
      /** What of the chance as it is each feature gives, in points: less that of a page in the middle of the capture; none without one. */
      gives: z.array(z.object({ what: z.enum(CHANCE_FEATURES), value: z.number(), points: z.number() })),
    })
    .nullable(),
  alternatives: z.array(alternative),
  /** What somebody chose to do, who and when. */
  choice: z.object({ action: z.enum(ACTIONS), person: z.string(), at: z.string() }).nullable(),
  rivals: z.array(rivalColumn),
  own: z.string(),
  front: z.int(),
  currency: z.string(),
  history: z.array(historyPoint),
  captureDates: z.array(isoDay),
  page: shownPage.nullable(),
  sum: z.array(sumLine),
  metrics: sourceMetrics.nullable(),
  metricsDate: isoDay.nullable(),
  performance: z
    .object({
      from: isoDay,
      to: isoDay,
      impressions: z.int(),
      clicks: z.int(),
      position: z.number().nullable(),
      source: z.string(),
    })
    .nullable(),
  /** Newest day of own search performance held by the date of the scope; of the last days not all may have come. */
  performanceUntil: isoDay.nullable(),
});
export type Dossier = z.infer<typeof dossier>;
