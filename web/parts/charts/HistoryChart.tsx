import { DAY_MS } from '@opsimath/core/day';
import type { HistoryPoint } from '@opsimath/contract/api/dossier';
import type { Position } from '@opsimath/contract/api/position';
import type { RivalColumn } from '@opsimath/contract/api/gaps';
import { useMemo } from 'react';
import { Chart } from './Chart';
import { type ChartInk, useChartInk } from './ink';
import { onPaper, timeAxis } from './paper';
import { t } from '../../words/t';

/** Where absent is drawn: below position 100. */
const ABSENT_AT = 150;
/** Days without a capture beyond which no line is drawn between two points. */
const LONGEST_GAP_DAYS = 35;

export type PositionsOf = 'organic' | 'paid';

/** Organic or paid positions over time, 1 at the top; absent on a line of its own at the foot, unknown not drawn at all. */
export function HistoryChart({
  history,
  own,
  rivals,
  of = 'organic',
}: {
  history: readonly HistoryPoint[];
  own: string;
  rivals: readonly RivalColumn[];
  of?: PositionsOf;
}) {
  const ink = useChartInk();
  const option = useMemo(() => optionOf(history, own, rivals, of, ink), [history, own, rivals, of, ink]);
  if (history.length === 0)
    return <p className="soft">{t('parts:HistoryChart.nothingHasBeenCapturedYet')}</p>;
  return (
    <>
      <Chart
        option={option}
        height={210}
        label={t('parts:HistoryChart.whichOnHistoryDays', {
          which: of === 'organic' ? t('parts:HistoryChart.positions') : t('parts:HistoryChart.paidSlots'),
          history: history.length,
        })}
      />
      <p className="legend soft">
        <span className="stroke own" /> {own}
        {rivals.map((rival, r) => (
          <span key={rival.id}>
            <span className={`stroke hue-${r % 4}`} /> {rival.name}
          </span>
        ))}
      </p>
    </>
  );
}

function optionOf(
  history: readonly HistoryPoint[],
  own: string,
  rivals: readonly RivalColumn[],
  of: PositionsOf,
  ink: ChartInk,
) {
  const isPaid = of === 'paid';
  const series = [
    {
      name: own,
      color: ink.own,
      width: 2.5,
      points: history.map((point) => (isPaid ? point.ownPaid : point.own)),
    },
    ...rivals.map((rival, r) => ({
      name: rival.name,
      color: ink.rivals[r % 4]!,
      width: 1.2,
      points: history.map((point) => (isPaid ? point.rivalsPaid : point.rivals)[r]!),
    })),
  ];
  const paper = onPaper(ink);
  return {
    ...paper,
    grid: { left: 44, right: 10, top: 10, bottom: 24 },
    tooltip: {
      ...paper.tooltip,
      valueFormatter: (value: number | null) =>
        value === null || value === undefined
          ? t('parts:HistoryChart.unknown')
          : value === ABSENT_AT
            ? t('parts:HistoryChart.absent')
            : String(value),
    },
    xAxis: timeAxis(ink),
    yAxis: {
      type: 'log',
      inverse: true,
      min: 1,
      max: ABSENT_AT,
      axisLabel: {
        showMaxLabel: true,
        formatter: (value: number) => (value === ABSENT_AT ? t('parts:HistoryChart.absent') : String(value)),
        customValues: [1, 3, 10, 30, 100, ABSENT_AT],
      },
      axisTick: { show: false, customValues: [1, 3, 10, 30, 100] },
      splitLine: { show: false },
    },
    series: series.map(({ name, color, width, points }) => ({
      name,
      type: 'line',
      step: false,
      color,
      lineStyle: { width },
      symbol: 'circle',
      symbolSize: width > 2 ? 5 : 3,
      showSymbol: history.length < 12,
      data: withGaps(history, points),
      z: width > 2 ? 3 : 2,
    })),
  };
}

/** Points by day; unknown and long silences break the line. */
function withGaps(history: readonly HistoryPoint[], points: readonly Position[]): [string, number | null][] {
  const data: [string, number | null][] = [];
  let last: number | null = null;
  history.forEach((point, i) => {
    const position = points[i]!;
    const at = Date.parse(point.date);
    if (last !== null && (at - last) / DAY_MS > LONGEST_GAP_DAYS)
      data.push([new Date((at + last) / 2).toISOString().slice(0, 10), null]);
    data.push([point.date, position === 'unknown' ? null : position === 'absent' ? ABSENT_AT : position]);
    if (position !== 'unknown') last = at;
  });
  return data;
}
