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
  horizons: { web: 60, video: 30, marketplace: 30 },
  leadDays: 90,
  margin: null,
  conversionRate: null,
  targetCost: null,
  efforts: { ...DEFAULT_EFFORTS },
  oldAfter: { web: 60, video: 60, marketplace: 60 },
  openingTraits: ['the want', 'the hindrance', 'the help'],
  pictureTraits: ['alone', 'in use', 'with a person', 'close-up'],
  tagLimits: {
    video: { tags: 30, characters: 500 },
    marketplace: { tags: 10, characters: 250 },
  },
  handCounts: false,
  volumeBorrowed: false,
  presumedAbsent: true,
  guideRatio: 2,
  littleDemand: 10,
  resultsPerPage: null,
  shareMoved: SHARE_MOVED,
  titleStyles: { web: PLAIN_STYLE, video: PLAIN_STYLE, marketplace: PLAIN_STYLE },
  goals: { organic: null, paid: null, clickThrough: null },
  effectWindows: { ...DEFAULT_WINDOWS },
  lookAgain: { web: [3, 7, 14, 28], video: [3, 7, 14, 28], marketplace: [3, 7, 14, 28] },
  alerts: { lasting: 3, days: 30, season: 14, quietFrom: null, quietTo: null, off: [] },
  titleLimits: { web: 60, video: 100, marketplace: 200 },
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
