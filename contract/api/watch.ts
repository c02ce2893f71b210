import { LASTING } from '@opsimath/core/effect/lasting';
import { z } from 'zod';
import { isoDay } from '../source/answers';
import { CHANGE_KINDS } from './drafts';
import { rate } from './ownQueries';

export const watchQuery = z.object({
  market: z.string(),
  date: isoDay,
  /** First day that is drawn; all days without it. */
  from: isoDay.optional(),
  /** Strips that are told, and what their keywords hold. */
  limit: z.coerce.number().int().min(1).max(1000).default(60),
  find: z.string().max(300).default(''),
  /** Of those that are followed, the ones of a list, or those that a target of ours holds. */
  list: z.coerce.number().int().optional(),
  target: z.string().max(2000).optional(),
});
const weekdays = z
  .array(z.int().min(1).max(7))
  .max(7)
  .refine((days) => new Set(days).size === days.length, 'a day stands twice');
export const watchPlanChange = z.object({ market: z.string(), weekdays });

const position = z.union([z.int(), z.literal('absent'), z.literal('unknown')]);
/** A keyword that is followed: where it stood on the days drawn. */
export const watchStrip = z.object({
  id: z.int(),
  text: z.string(),
  demand: z.number().nullable(),
  /** On the last day of which something is known, and on the first one drawn. */
  now: position,
  then: position,
  paid: position,
  /** Clicks a month more or less than on the first day drawn; `null` where that is unknown. */
  clicks: z.number().nullable(),
  /** Positions on the days of strips as stored: 0 unknown, 255 absent; ours, then each rival’s. */
  own: z.array(z.int()),
  rivals: z.array(z.array(z.int())),
});
export type WatchStrip = z.infer<typeof watchStrip>;

export const ALERT_KINDS = [
  'left the front',
  'came onto the front',
  'ad no longer shown',
  'ad shown',
  'rival came new',
  'rival left',
  'rival said otherwise',
  'no longer indexed',
  'season near',
  'allowance nearly used',
] as const;
export const watchAlert = z.object({
  /** The same for the same event, whenever it is asked for. */
  id: z.string(),
  day: isoDay,
  kind: z.enum(ALERT_KINDS),
  text: z.string(),
  keyword: z.int().nullable(),
});
export type WatchAlert = z.infer<typeof watchAlert>;
export const watchAlerts = z.array(watchAlert);
/** Address of a feed of alerts; whoever knows it may read them. `null` where there is none. */
export const watchFeed = z.object({ path: z.string().nullable() });

const watchTotal = z.object({
  visibility: z.number().nullable(),
  clicks: z.number(),
  depth: z.array(z.int()),
  paid: z.int(),
});
export type WatchTotal = z.infer<typeof watchTotal>;

export const watchView = z.object({
  currency: z.string(),
  front: z.int(),
  names: z.array(z.string()),
  letters: z.array(z.string().nullable()),
  tracked: z.int(),
  plan: z.object({
    /** 1 is Monday; none: switched off. */
    weekdays: z.array(z.int()),
    lastDay: isoDay.nullable(),
    next: isoDay.nullable(),
    trouble: z.string(),
    unitsAMonth: z.int(),
    /** The same captured every day, and once a week. */
    daily: z.int(),
    weekly: z.int(),
  }),
  days: z.array(isoDay),
  /** Keywords known on the first of the days drawn: every figure of every day is over these. */
  panel: z.int(),
  totals: z.array(z.array(watchTotal)),
  /** Ours on the same day a year before (364 days, so that weekdays fit), over the same keywords; `null` where nothing is held of about that day. */
  yearBefore: z.array(watchTotal.nullable()),
  /** Of the same keywords, by day: own search performance and ads; `null` where nothing is held of a day. */
  beside: z.object({
    clicks: z.array(z.int().nullable()),
    impressions: z.array(z.int().nullable()),
    adCost: z.array(z.number().nullable()),
    adSales: z.array(z.number().nullable()),
  }),
  /** Own targets that hold keywords that are followed, those that hold most first. */
  targets: z.array(z.object({ address: z.string(), keywords: z.int() })),
  /** Days that strips are drawn over: all, or some of many, the last always. */
  stripDays: z.array(isoDay),
  /** Those that a change aims at first, then what moved most. */
  strips: z.array(watchStrip),
  /** How many there are of which some are told. */
  stripsInAll: z.int(),
  changes: z.array(
    z.object({
      id: z.int(),
      date: isoDay,
      kind: z.enum(CHANGE_KINDS),
      address: z.string(),
      seenFrom: isoDay.nullable(),
      lead: z.string(),
    }),
  ),
  /** What is to be looked at again. */
  due: z.array(
    z.object({
      what: z.enum(['look at a change again', 'put off until now', 'dated keyword', 'capture']),
      text: z.string(),
      since: isoDay,
      /** Which of the waits it is, in days. */
      wait: z.int().nullable(),
      change: z.int().nullable(),
      task: z.int().nullable(),
      keywords: z.array(z.int()),
    }),
  ),
});
export type WatchView = z.infer<typeof watchView>;

export const recheck = z.object({
  market: z.string(),
  keywords: z.array(z.int()).min(1).max(50),
});
/** What a fresh look says: three things apart. */
export const rechecked = z.object({
  units: z.number(),
  /** When it was taken, to the minute, in UTC. */
  at: z.string(),
  keywords: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      own: position,
      /** Our position of the capture before this one. */
      before: position,
      /** Of the newest change that aims at it: whether search shows its title; `null` without a change, or where ours is not there. */
      shown: z.boolean().nullable(),
      /** The text that search shows of ours. */
      title: z.string().nullable(),
      /** Day from which it can be told whether the change did anything; `null` without a change, or where that has come. */
      tooEarlyUntil: isoDay.nullable(),
    }),
  ),
});
export type Rechecked = z.infer<typeof rechecked>;

const interval = { low: z.number(), high: z.number() };
const version = z.object({
  from: isoDay,
  to: isoDay,
  /** Days of which anything is held. */
  held: z.int(),
  impressions: z.int(),
  clicks: z.int(),
  ctr: rate,
});
const adSum = z.object({ cost: z.number(), sales: z.number() });

export const changeEffect = z.object({
  id: z.int(),
  date: isoDay,
  kind: z.enum(CHANGE_KINDS),
  address: z.string(),
  note: z.string(),
  seenFrom: isoDay.nullable(),
  draft: z.int().nullable(),
  task: z.int().nullable(),
  /** Other changes of the same target in its windows: their effect is joint. */
  mixedWith: z.array(z.int()),
  /** Clicks a month as they were foretold when the work was picked. */
  foretold: z.number().nullable(),
  keywords: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      /** Mean position before and after, D + 1 is absent; `null` without captures there. */
      before: z.number().nullable(),
      after: z.number().nullable(),
    }),
  ),
  effect: z.discriminatedUnion('state', [
    z.object({
      state: z.literal('told'),
      effect: z.number(),
      ...interval,
      p: z.number(),
      control: z.int(),
      /** A month. */
      clicks: z.object({ middle: z.number(), ...interval }),
      worth: z.object({ middle: z.number(), ...interval }),
      lasting: z.enum(LASTING),
      /** Fourteen days each, one after another. */
      later: z.array(z.object({ from: isoDay, effect: z.number(), ...interval })),
    }),
    z.object({
      state: z.literal('lacking'),
      lacks: z.enum(['captures before', 'captures after', 'control keywords']),
      ready: isoDay.nullable(),
    }),
  ]),
  /** Mean scores of its keywords and of those beside it, by day. */
  curve: z.array(z.object({ date: isoDay, treated: z.number().nullable(), control: z.number().nullable() })),
  /** Own clicks a day in the window before and after, of its keywords and target; `null` where none are held. */
  followed: z.object({ before: z.number(), after: z.number() }).nullable(),
  /** Own search performance of its target with what stood there before, and with what stands there since: as many days each. */
  versions: z.object({ before: version, after: version }).nullable(),
  /** Ads that lead to its target, in the windows before and after: what they cost and what they sold; `null` where none are held. */
  ads: z.object({ before: adSum, after: adSum }).nullable(),
});
export type ChangeEffect = z.infer<typeof changeEffect>;
export const effectsView = z.object({
  currency: z.string(),
  changes: z.array(changeEffect),
  /** By kind of change, of those that can be told. */
  kinds: z.array(
    z.object({
      kind: z.enum(CHANGE_KINDS),
      told: z.int(),
      gained: z.int(),
      clicks: z.number(),
      foretold: z.number().nullable(),
    }),
  ),
});
export type EffectsView = z.infer<typeof effectsView>;

/** Whether a change's target is found by its exact title: presence, which is no success. */
export const presenceRequest = z.object({ market: z.string(), change: z.int() });
export const presence = z.object({
  units: z.number(),
  title: z.string(),
  /** Results that were looked at, and those of them with exactly this title. */
  looked: z.int(),
  found: z.int(),
  /** Ours among them. */
  own: z.array(z.object({ address: z.string(), position: z.int() })),
});
export type Presence = z.infer<typeof presence>;

/** How many looks and pieces of work are due. */
export const watchDue = z.object({ due: z.int() });

/** What own targets serve, where several of them come up for one keyword, and whether search knows them. */
export const watchTargets = z.object({
  targets: z.array(
    z.object({
      address: z.string(),
      title: z.string(),
      /** Keywords followed that it holds now, the best place first. */
      keywords: z.array(z.object({ id: z.int(), text: z.string(), position: z.int() })),
      /** Every check of whether search knows it, the oldest first. */
      index: z.array(z.object({ day: isoDay, state: z.string() })),
    }),
  ),
  /** Keywords for which several targets of ours came up, with who held them from when on. */
  shared: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      demand: z.number().nullable(),
      course: z.array(z.object({ from: isoDay, address: z.string(), position: z.int() })),
    }),
  ),
});
export type WatchTargets = z.infer<typeof watchTargets>;

/** Visits of one month: all, and those from search that were not paid for. Both, since a share also rises when others fall. */
export const visitMonth = z.object({
  /** `2026-03`. */
  month: z.string(),
  all: z.int(),
  search: z.int(),
  sources: z.array(z.object({ source: z.string(), visits: z.int(), isSearch: z.boolean() })),
});
export type VisitMonth = z.infer<typeof visitMonth>;
