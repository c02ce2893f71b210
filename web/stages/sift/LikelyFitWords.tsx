import { percent } from '../../parts/words/figures';
import type { LikelyFits } from './useLikelyFit';

/** What the verdicts so far say of this keyword, and how right that has been. It sorts; it decides nothing. */
export function LikelyFitWords({
  likely,
  current,
}: {
  likely: LikelyFits | null;
  current: number | undefined;
}) {
  if (likely === null)
    return <span className="faint">Learns from your verdicts which keywords are likely fits.</span>;
  return (
    <span
      className="faint"
      title="Estimated from the words of the keywords judged so far and from who ranks. It sorts, it never decides."
    >
      {current !== undefined && `Likely fit: ${percent(current, 0)} (estimated). `}
      {likely.accuracy === null
        ? 'Too few verdicts yet to say how right this is.'
        : `Right for ${percent(likely.accuracy, 0)} of ${likely.judged} verdicts it had not seen; always saying the commoner one: ${percent(likely.baseline, 0)}.`}
    </span>
  );
}
