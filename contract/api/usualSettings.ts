import { COSTLY_TIMES } from '@opsimath/core/ads/searchTerms';
import { DEFAULT_EFFORTS } from '@opsimath/core/gap/action';
import { DEFAULT_WEIGHTS } from '@opsimath/core/gap/chance';
import { DEFAULT_WINDOWS } from '@opsimath/core/effect/effectOf';
import { MOVEMENT_LIMITS } from '@opsimath/core/gap/movement';
import { DOUBLING_LIMIT, SHARE_MOVED } from '@opsimath/core/gap/paid';
import { FIT } from '@opsimath/core/gap/priority';
import { PRIORS } from '@opsimath/core/ranking/clickThrough';
import { PLAIN_STYLE } from '@opsimath/core/copy/titleStyle';
import { DEFAULT_FRONT } from '@opsimath/core/ranking/position';
import { PAGE_KINDS, PATH_RULES, type PageKind } from '@opsimath/core/text/pageKind';
import { SURFACE_ROWS, TAGGED_SURFACES, type TaggedSurface, bySurface } from '@opsimath/core/text/surfaces';

const usualPaths = Object.fromEntries(
  PAGE_KINDS.map((kind) => [kind, [...(PATH_RULES[kind] ?? [])]]),
) as unknown as Record<PageKind, string[]>;
/** Why a keyword was judged as it was; a project has its own. */
export const USUAL_REASONS = [
  'core use',
  'complement',
  'too broad',
  'other product',
  'wrong audience',
  'banned',
] as const;

/** What a project is set to until somebody changes it. */
export const USUAL_SETTINGS = {
  front: DEFAULT_FRONT,
  currency: 'USD',
  defaultWorth: 0.3,
  curvePrior: { ...PRIORS },
  curveFitted: true,
  brandLeftOut: false,
  chanceFitted: true,
  chanceWeights: [...DEFAULT_WEIGHTS],
  horizons: bySurface(({ horizon }) => horizon),
  leadDays: 90,
  margin: null,
  conversionRate: null,
  targetCost: null,
  efforts: { ...DEFAULT_EFFORTS },
  oldAfter: bySurface(({ oldAfter }) => oldAfter),
  openingTraits: ['the want', 'the hindrance', 'the help'],
  pictureTraits: ['alone', 'in use', 'with a person', 'close-up'],
  tagLimits: Object.fromEntries(
    TAGGED_SURFACES.map((surface) => [surface, { ...SURFACE_ROWS[surface].tags }]),
  ) as Record<TaggedSurface, { tags: number; characters: number }>,
  handCounts: false,
  volumeBorrowed: false,
  presumedAbsent: true,
  guideRatio: 2,
  littleDemand: 10,
  resultsPerPage: null,
  shareMoved: SHARE_MOVED,
  titleStyles: bySurface(() => PLAIN_STYLE),
  goals: { organic: null, paid: null, clickThrough: null },
  effectWindows: { ...DEFAULT_WINDOWS },
  lookAgain: bySurface(({ lookAgain }) => [...lookAgain]),
  alerts: { lasting: 3, days: 30, season: 14, quietFrom: null, quietTo: null, off: [] },
  titleLimits: bySurface(({ titleLimit }) => titleLimit),
  fits: { ...FIT },
  thresholds: {
    ...MOVEMENT_LIMITS,
    doubling: DOUBLING_LIMIT,
    easier: 1.5,
    dearShare: 0.4,
    costly: COSTLY_TIMES,
  },
  verdictReasons: [...USUAL_REASONS],
  purposeWords: { seek: [], weigh: [], learn: [] },
  pagePaths: usualPaths,
  pageKinds: {},
};
