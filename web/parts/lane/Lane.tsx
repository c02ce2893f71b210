import type { Position } from '@opsimath/contract/api/position';
import { memo } from 'react';
import { TAB, TICKS, diamond, laneScale, placeTabs } from '@opsimath/core/lane/laneScale';
import { laneWords } from '@opsimath/core/lane/laneWords';

export interface LaneSide {
  name: string;
  letter: string;
  /** Which of the rival hues. */
  hue: number;
  organic: Position;
  paid: Position;
}
export interface LaneProps {
  own: { name: string; organic: Position; before: Position | null; paid: Position };
  rivals: readonly LaneSide[];
  front: number;
  width: number;
  height?: number;
}

/**
 * Positions of everybody for one keyword. Our organic position is a disc, rivals' are letter tabs above the
 * line, paid positions are diamonds below it, the compare-with position is a ring joined by a thin line.
 */
export const Lane = memo(function Lane({ own, rivals, front, width, height = 34 }: LaneProps) {
  const scale = laneScale(width);
  const y = Math.round(height * 0.56);
  const { from, to } = scale.track;
  const tabs = placeTabs(rivals, scale.at, to);
  const x = scale.at(own.organic);
  const ring =
    own.before !== null && own.before !== 'unknown' && own.before !== own.organic
      ? scale.at(own.before)
      : null;
  return (
    <svg className="lane" width={width} height={height} role="img" aria-label={laneWords(own, rivals)}>
      <line className="track" x1={from} x2={to} y1={y} y2={y} />
      {TICKS.map((tick) => (
        <line key={tick} className="tick" x1={scale.at(tick)} x2={scale.at(tick)} y1={y - 3} y2={y + 3} />
      ))}
      <line className="front" x1={scale.at(front)} x2={scale.at(front)} y1={y - 8} y2={y + 8} />
      <rect className="bay" x={scale.at('absent') - 9} y={y - 7} width={18} height={14} />
      <rect className="bay dashed" x={scale.at('unknown') - 9} y={y - 7} width={18} height={14} />
      {tabs.map(({ side, left, at }) => (
        <g key={side.letter} className={`rival hue-${side.hue % 4}`}>
          <line x1={at} x2={at} y1={y - 7} y2={y - 3} />
          <rect x={left} y={y - 7 - TAB} width={TAB} height={TAB} />
          <text x={left + TAB / 2} y={y - 9.5}>
            {side.letter}
          </text>
        </g>
      ))}
      {[...rivals].map((side) =>
        typeof side.paid === 'number' ? (
          <path
            key={side.letter}
            className={`paid hue-${side.hue % 4}`}
            d={diamond(scale.at(side.paid), y + 10)}
          />
        ) : null,
      )}
      {typeof own.paid === 'number' && <path className="paid own" d={diamond(scale.at(own.paid), y + 10)} />}
      {ring !== null && (
        <>
          <line className="moved" x1={ring} x2={x} y1={y} y2={y} />
          <circle className="ring" cx={ring} cy={y} r={4} />
        </>
      )}
      {own.organic === 'unknown' ? (
        <text className="asked" x={x} y={y + 4}>
          ?
        </text>
      ) : (
        <circle className="disc" cx={x} cy={y} r={5} />
      )}
    </svg>
  );
});
