import { ABSENT_BAND, BAND_NAMES, bandEnds } from '@opsimath/core/forecast/bands';
import { laneScale } from '@opsimath/core/lane/laneScale';
import { t, wordOf } from '../../words/t';

interface ForecastLaneProps {
  width: number;
  /** Probability of each band, in the order of BAND_NAMES. */
  asIs: readonly number[];
  /** After an action; nothing is drawn beside “as it is” without one. */
  after: readonly number[] | null;
}
const HALF = 34;
const MIDDLE = HALF + 4;
const LEAST = 1.5;

/** Where we will stand: as it is below the lane, after the action above it. A block’s height is the chance of its places. */
export function ForecastLane({ width, asIs, after }: ForecastLaneProps) {
  const scale = laneScale(width);
  const largest = Math.max(...asIs, ...(after ?? []));
  const blocks = (parts: readonly number[], up: boolean) =>
    parts.map((part, band) => {
      const { from, to } = ends(band, scale.at);
      const height = Math.max(part > 0.001 ? LEAST : 0, (HALF * part) / largest);
      return (
        <rect
          key={band}
          className={up ? 'after' : 'as-is'}
          x={from + 0.5}
          width={Math.max(1, to - from - 1)}
          y={up ? MIDDLE - height : MIDDLE + 1}
          height={height}
        >
          <title>{`${band === ABSENT_BAND ? t('parts:ForecastLane.absent') : t('parts:ForecastLane.atBand', { band: wordOf(BAND_NAMES[band]!) })}: ${(100 * part).toFixed(part < 0.1 ? 1 : 0)} % ${up ? t('parts:ForecastLane.afterIt') : t('parts:ForecastLane.asItIs')}`}</title>
        </rect>
      );
    });
  return (
    <svg
      className="forecast-lane"
      width={width}
      height={2 * MIDDLE + 2}
      role="img"
      aria-label={t('parts:ForecastLane.forecast')}
    >
      {after && blocks(after, true)}
      {blocks(asIs, false)}
      <line x1={scale.track.from} x2={scale.track.to} y1={MIDDLE + 0.5} y2={MIDDLE + 0.5} />
    </svg>
  );
}

/** From the middle between a band’s first place and the one before it to the same at its end. */
function ends(band: number, at: (position: number | 'absent') => number): { from: number; to: number } {
  if (band === ABSENT_BAND) return { from: at('absent') - 9, to: at('absent') + 9 };
  const { first, last } = bandEnds(band);
  const between = (one: number, other: number): number => (at(one) + at(other)) / 2;
  return {
    from: first === 1 ? at(1) - 5 : between(first - 1, first),
    to: last >= 100 ? at(100) : between(last, last + 1),
  };
}
