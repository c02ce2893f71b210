import { TICKS, laneScale } from '@opsimath/core/lane/laneScale';
import { t } from '../../words/t';

/** The scale over a column of lanes. */
export function LaneHead({ width }: { width: number }) {
  const scale = laneScale(width);
  return (
    <svg className="lane-head" width={width} height={14} aria-hidden>
      {TICKS.filter((tick) => tick !== 100 || width > 240).map((tick) => (
        <text key={tick} x={scale.at(tick)} y={11}>
          {tick}
        </text>
      ))}
      <text x={scale.at('absent')} y={11}>
        {t('parts:LaneHead.absent')}
      </text>
      <text x={scale.at('unknown') + 3} y={11}>
        ?
      </text>
    </svg>
  );
}
