import type { WatchStrip } from '@opsimath/contract/api/watch';
import { memo } from 'react';
import { placed, spelledDay } from '../../parts/words/figures';
import { bestOf, stripPath, stripScale } from './stripLine';
import { t } from '../../words/t';

const [WIDTH, HEIGHT] = [430, 44];

interface StripLineProps {
  strip: WatchStrip;
  days: readonly string[];
  front: number;
  /** Days on which something was changed that aims at it. */
  marks: readonly string[];
}

/** One keyword over time: ours thick, the best rival thin, the front dotted, changes as marks. */
export const StripLine = memo(function StripLine({ strip, days, front, marks }: StripLineProps) {
  const scale = stripScale(days, WIDTH, HEIGHT);
  const known = strip.own.filter((position) => position !== 0).length;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      className="strip"
      role="img"
      aria-label={t('watch:StripLine.textThenOnTheFirstDay', {
        text: strip.text,
        then: placed(strip.then),
        now: placed(strip.now),
        known,
        which:
          marks.length > 0
            ? t('watch:StripLine.changedOnMarks', { marks: marks.map(spelledDay).join(', ') })
            : '',
      })}
    >
      <line className="strip-front" x1={0} x2={WIDTH} y1={scale.y(front)} y2={scale.y(front)} />
      <path className="strip-rival" d={stripPath(days, bestOf(strip.rivals), scale)} />
      <path className="strip-own" d={stripPath(days, strip.own, scale)} />
      {marks
        .filter((day) => day >= days[0]! && day <= days.at(-1)!)
        .map((day) => (
          <g key={day} className="strip-mark">
            <line x1={scale.x(day)} x2={scale.x(day)} y1={0} y2={HEIGHT} />
            <path d={`M${scale.x(day) - 4} 0h8l-4 6z`} />
          </g>
        ))}
    </svg>
  );
});
