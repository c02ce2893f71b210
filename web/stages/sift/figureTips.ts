import type { SieveFigure } from '@opsimath/core/sift/sieve';
import { t } from '../../words/t';

/** What a figure is, where its name does not say it. */
export const FIGURE_TIPS: Partial<Record<SieveFigure, string>> = {
  grain: t('sift:figureTips.wordsBeyondThoseOfTheNearest'),
  nearness: t('sift:figureTips.meanLikenessOfOurTargetTo'),
  'exact rivals': t('sift:figureTips.ofTheFrontHowManyHave'),
  'rivals that cover it': t('sift:figureTips.targetsOfRivalsInItsCapture'),
  'imported difficulty': t('sift:figureTips.asTheSourceCallsIt0'),
  appearances: t('sift:figureTips.ofHowManyOfTheFirst'),
  'contained in': t('sift:figureTips.otherKeywordsOfThePoolIn'),
};
