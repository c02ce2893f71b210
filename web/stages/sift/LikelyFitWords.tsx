import { percent } from '../../parts/words/figures';
import type { LikelyFits } from './useLikelyFit';
import { t } from '../../words/t';

/** What the verdicts so far say of this keyword, and how right that has been. It sorts; it decides nothing. */
export function LikelyFitWords({
  likely,
  current,
}: {
  likely: LikelyFits | null;
  current: number | undefined;
}) {
  if (likely === null)
    return <span className="faint">{t('sift:LikelyFitWords.learnsFromYourVerdictsWhich')}</span>;
  return (
    <span className="faint" title={t('sift:LikelyFitWords.estimatedFromTheWordsOfThe')}>
      {current !== undefined &&
        `${t('sift:LikelyFitWords.likelyFitCurrentEstimated', { current: percent(current, 0) })} `}
      {likely.accuracy === null
        ? t('sift:LikelyFitWords.tooFewVerdictsYetToSay')
        : t('sift:LikelyFitWords.rightForAccuracyOfJudgedVerdicts', {
            accuracy: percent(likely.accuracy, 0),
            judged: likely.judged,
            baseline: percent(likely.baseline, 0),
          })}
    </span>
  );
}
