import { ACTIONS, DEFAULT_EFFORTS, type Action } from '@opsimath/core/gap/action';
import { CHANCE_FEATURES } from '@opsimath/core/gap/chance';
import { PAGE_KINDS, type PageKind } from '@opsimath/core/text/pageKind';
import { TAGGED_SURFACES, type TaggedSurface, bySurface } from '@opsimath/core/text/surfaces';
import { z } from 'zod';
import type { DeepPartial } from './patch';
import { USUAL_SETTINGS } from './usualSettings';
import { patchOf } from './patchSchema';

/** The same for each surface. */
const ofSurfaces = <T extends z.ZodType>(each: T) => z.object(bySurface(() => each));

const effortDays = z.number().min(0.01).max(365);
export const efforts = z.object(
  Object.fromEntries(
    // Whoever set efforts before an action was known takes the usual one for it.
    ACTIONS.map((action) => [action, effortDays.default(DEFAULT_EFFORTS[action])]),
  ) as Record<Action, z.ZodDefault<typeof effortDays>>,
);

const prior = z.object({ first: z.number().min(0.001).max(1), decay: z.number().min(0).max(5) });
const curvePrior = ofSurfaces(prior);

/** Tags that a target may bear on a surface: how many, and characters of all together. */
const tagLimit = z.object({ tags: z.int().min(1).max(1000), characters: z.int().min(1).max(100_000) });
const tagLimits = z.object(
  Object.fromEntries(TAGGED_SURFACES.map((surface) => [surface, tagLimit])) as Record<
    TaggedSurface,
    typeof tagLimit
  >,
);

/** Characters from which on a title is too long, by surface (method §19). */
const titleLimit = z.int().min(10).max(1000);
const titleLimits = ofSurfaces(titleLimit);

const titleStyle = z.object({
  separator: z.string().min(1).max(8),
  capitals: z.enum(['first word', 'every word', 'as typed']),
  brand: z.string().trim().max(80),
  brandPlace: z.enum(['last', 'nowhere']),
});
const titleStyles = ofSurfaces(titleStyle);
const goal = z.number().min(0).max(1).nullable();
/** Conversions a click, organic and paid, and clicks an impression. */
const goals = z.object({ organic: goal, paid: goal, clickThrough: goal.default(null) });

const windowDays = z.int().min(1).max(120);
const effectWindows = z.object({ before: windowDays, settle: z.int().min(0).max(60), after: windowDays });
const waits = z.array(z.int().min(1).max(365)).min(1).max(8);
const lookAgain = ofSurfaces(waits);

const hour = z.int().min(0).max(23).nullable();
/** From when on something is told unasked, and when not. */
const alerts = z.object({
  /** Captures in a row that must agree before anything counts. */
  lasting: z.int().min(1).max(10),
  /** Days back that alerts are told. */
  days: z.int().min(1).max(365),
  /** Days before work for a season has to begin. */
  season: z.int().min(0).max(180),
  /** Hours (UTC) between which the feed stays as it is; `null` for none. */
  quietFrom: hour,
  quietTo: hour,
  /** Kinds that nobody wants to be told of. */
  off: z.array(z.string().max(60)).max(20),
});

/** What a verdict leaves of an expected worth (method §8). */
const fits = z.object({
  fit: z.number().min(0).max(1),
  unjudged: z.number().min(0).max(1),
  adjacent: z.number().min(0).max(1),
  off: z.number().min(0).max(1),
});

/** From where on something is marked, listed or called so. */
const places = z.int().min(1).max(100);
const thresholds = z.object({
  climbing: places,
  slipping: places,
  slippingOff: places,
  /** Own organic position down to which paying doubles. */
  doubling: places,
  /** A neighbour is easier from so many times our chance. */
  easier: z.number().min(1).max(100),
  /** Share of a pool's highest CPCs that are dear. */
  dearShare: z.number().min(0).max(1),
  /** How many target costs without a conversion are too much. */
  costly: z.number().min(0).max(1000),
});

const days = z.int().min(1).max(3650);
/** Days after which a held figure is marked old, by surface. */
const oldAfter = ofSurfaces(days);

/** Days ahead for which it is foretold where a target will stand, by surface. */
const ahead = z.int().min(1).max(365);
const horizons = ofSurfaces(ahead);

const phrases = z.array(z.string().trim().min(1).max(80)).max(200);
/** Words of the project's own that tell what a search is for, beside those of the language. */
const purposeWords = z.object({ seek: phrases, weigh: phrases, learn: phrases });
/** Parts of a path that tell what kind of page it is. */
const pagePaths = z.object(
  Object.fromEntries(PAGE_KINDS.map((kind) => [kind, phrases])) as Record<PageKind, typeof phrases>,
);
const MOST_BY_HAND = 5000;
/** What single pages are, said by hand; `by rule` takes it back. */
const pageKinds = z
  .record(z.string().max(2000), z.enum([...PAGE_KINDS, 'by rule']))
  .refine((said) => Object.keys(said).length <= MOST_BY_HAND, `at most ${MOST_BY_HAND} pages`);

export const projectSettings = z.object({
  /** F: positions that count as the first page. */
  front: z.int().min(1).max(100).default(USUAL_SETTINGS.front),
  currency: z.string().min(1).max(8).default(USUAL_SETTINGS.currency),
  /** Worth of a click where no source gives one, in the currency. */
  defaultWorth: z.number().min(0).max(100_000).default(USUAL_SETTINGS.defaultWorth),
  /** c1 and b of the click-through prior, by surface. */
  curvePrior: curvePrior.default(USUAL_SETTINGS.curvePrior),
  /** Whether the curve leans on own search performance, and whether queries with our own name are left out of that. */
  curveFitted: z.boolean().default(USUAL_SETTINGS.curveFitted),
  brandLeftOut: z.boolean().default(USUAL_SETTINGS.brandLeftOut),
  /** Whether chance goes by what captures show; else by the stated default weights. */
  chanceFitted: z.boolean().default(USUAL_SETTINGS.chanceFitted),
  /** Weights of chance where none are fitted, in the order of CHANCE_FEATURES. */
  chanceWeights: z
    .array(z.number().min(-20).max(20))
    .length(CHANCE_FEATURES.length)
    .default(USUAL_SETTINGS.chanceWeights),
  horizons: horizons.default(USUAL_SETTINGS.horizons),
  /** Days before a peak at which work for it begins. */
  leadDays: z.int().min(0).max(365).default(USUAL_SETTINGS.leadDays),
  /** What a marketplace's price leaves, and how many clicks buy there, 0–1; `null` where nobody said. */
  margin: z.number().min(0).max(1).nullable().default(USUAL_SETTINGS.margin),
  conversionRate: z.number().min(0).max(1).nullable().default(USUAL_SETTINGS.conversionRate),
  /** What a conversion may cost; `null` takes what one costs now. */
  targetCost: z.number().min(0).max(1_000_000).nullable().default(USUAL_SETTINGS.targetCost),
  efforts: efforts.default(USUAL_SETTINGS.efforts),
  oldAfter: oldAfter.default(USUAL_SETTINGS.oldAfter),
  /** What is looked for in the opening lines and the pictures of a front. */
  openingTraits: phrases.default(USUAL_SETTINGS.openingTraits),
  pictureTraits: phrases.default(USUAL_SETTINGS.pictureTraits),
  tagLimits: tagLimits.default(USUAL_SETTINGS.tagLimits),
  /** Whether positions typed in by hand count in gaps; volume borrowed from another surface where none is known. */
  handCounts: z.boolean().default(USUAL_SETTINGS.handCounts),
  volumeBorrowed: z.boolean().default(USUAL_SETTINGS.volumeBorrowed),
  /** Whether a complete look-up that does not name a keyword makes its side absent (method §4). */
  presumedAbsent: z.boolean().default(USUAL_SETTINGS.presumedAbsent),
  /** Organic keywords for each paid one that the project aims at; clicks a month below which a place brings little. */
  guideRatio: z.number().min(0.01).max(1000).default(USUAL_SETTINGS.guideRatio),
  littleDemand: z.number().min(0).max(1_000_000).default(USUAL_SETTINGS.littleDemand),
  /** Results a page; `null` takes what the services say of the market. */
  resultsPerPage: z.int().min(1).max(100).nullable().default(USUAL_SETTINGS.resultsPerPage),
  /** Share of paid clicks that come to our organic result once a bid is gone (method §8). */
  shareMoved: z.number().min(0).max(1).default(USUAL_SETTINGS.shareMoved),
  /** How titles are written, by surface. */
  titleStyles: titleStyles.default(USUAL_SETTINGS.titleStyles),
  /** Conversions a click, and clicks an impression (CTR), that the project aims at, 0–1; `null` where it aims at none. */
  goals: goals.default(USUAL_SETTINGS.goals),
  /** Days before a change, days to settle, days after, over which its effect is told (method §16). */
  effectWindows: effectWindows.default(USUAL_SETTINGS.effectWindows),
  /** Days after a change on which to look again, by surface. */
  lookAgain: lookAgain.default(USUAL_SETTINGS.lookAgain),
  alerts: alerts.default(USUAL_SETTINGS.alerts),
  titleLimits: titleLimits.default(USUAL_SETTINGS.titleLimits),
  fits: fits.default(USUAL_SETTINGS.fits),
  thresholds: thresholds.default(USUAL_SETTINGS.thresholds),
  verdictReasons: phrases.default(USUAL_SETTINGS.verdictReasons),
  purposeWords: purposeWords.default(USUAL_SETTINGS.purposeWords),
  pagePaths: pagePaths.default(USUAL_SETTINGS.pagePaths),
  pageKinds: pageKinds.default(USUAL_SETTINGS.pageKinds),
});
export type ProjectSettings = z.infer<typeof projectSettings>;

export const project = z.object({
  id: z.int(),
  name: z.string(),
  settings: projectSettings,
  revision: z.int(),
  settingsRevision: z.int(),
  createdAt: z.string(),
});
export type Project = z.infer<typeof project>;

export const projectCreation = z.object({ name: z.string().trim().min(1).max(120) });
export const projectChange = z.object({
  name: z.string().trim().min(1).max(120).optional(),
  /** Only what is named changes. */
  settings: patchOf(projectSettings).optional(),
  /** The revision of the settings that the change rests on. */
  settingsRevision: z.int().optional(),
  person: z.string().trim().max(80).optional(),
});
export type ProjectChange = z.infer<typeof projectChange>;
export type SettingsChange = DeepPartial<ProjectSettings>;

/** What waits at each stage, and the dates there is something for. */
export const projectOverview = z.object({
  targets: z.object({ own: z.int(), rival: z.int() }),
  lookUps: z.int(),
  keywords: z.int(),
  tracked: z.int(),
  /** Keywords judged to be fit. */
  fits: z.int(),
  /** Pieces of work in a round that are not published yet, and drafts. */
  tasks: z.int(),
  drafts: z.int(),
  imports: z.int(),
  dates: z.array(z.object({ date: z.string(), captures: z.int(), rankings: z.int() })),
});
export type ProjectOverview = z.infer<typeof projectOverview>;
