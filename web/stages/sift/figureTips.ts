import type { SieveFigure } from '@opsimath/core/sift/sieve';

/** What a figure is, where its name does not say it. */
export const FIGURE_TIPS: Partial<Record<SieveFigure, string>> = {
  grain: 'Words beyond those of the nearest seed keyword; unknown in a look-up without seeds.',
  nearness:
    'Mean likeness of our target to those of the front, 0–1 (estimated). Without a capture it is unknown.',
  'exact rivals': 'Of the front, how many have the phrase in their title. Without a capture it is unknown.',
  'rivals that cover it':
    'Targets of rivals in its capture that hold it whole in a field. Nobody may aim at it because nobody buys: mind the volume.',
  'imported difficulty': 'As the source calls it, 0–100: kept apart from ours.',
  appearances: 'Of how many of the first ten it is also ranked, or how many targets of the front use it.',
  'contained in': 'Other keywords of the pool in which it stands as a phrase.',
};
