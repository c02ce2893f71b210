import { count } from '../../parts/words/figures';
import { t } from '../../words/t';

const [WIDTH, HEIGHT] = [200, 14];

interface IntervalMarkProps {
  low: number;
  middle: number;
  high: number;
  /** What the ends of the scale stand for: the same for all that stand below one another. */
  most: number;
  /** Of what, for those who do not see it. */
  words: string;
}

/** A figure with its interval beside a line at 0. */
export function IntervalMark({ low, middle, high, most, words }: IntervalMarkProps) {
  const x = (value: number): number =>
    WIDTH / 2 + (WIDTH / 2 - 4) * Math.min(1, Math.max(-1, most > 0 ? value / most : 0));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      className="interval"
      role="img"
      aria-label={t('watch:IntervalMark.wordsMiddle95BetweenLowAnd', {
        words,
        middle: count(Math.round(middle)),
        low: count(Math.round(low)),
        high: count(Math.round(high)),
      })}
    >
      <line className="interval-zero" x1={WIDTH / 2} x2={WIDTH / 2} y1={0} y2={HEIGHT} />
      <line className="interval-span" x1={x(low)} x2={x(high)} y1={HEIGHT / 2} y2={HEIGHT / 2} />
      <circle cx={x(middle)} cy={HEIGHT / 2} r={4} />
    </svg>
  );
}
