import type { OverTime } from '@opsimath/contract/api/overTime';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { onPaper, timeAxis } from '../../parts/charts/paper';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { count, percent } from '../../parts/words/figures';
import { t, wordOf } from '../../words/t';

export type SideMeasure = 'share' | 'visibility' | 'front' | 'paid';
/** Depths that are the first ten, as the bands have them. */
const FRONT_BANDS = 2;

/** One measure of every side over time, a line each. */
export function SidesChart({ data, measure }: { data: OverTime; measure: SideMeasure }) {
  const ink = useChartInk();
  const option = useMemo(() => optionOf(data, measure, ink), [data, measure, ink]);
  return (
    <>
      <Chart
        option={option}
        height={210}
        label={t('gaps:SidesChart.measureOfNamesSides', {
          measure: wordOf(measure),
          names: data.names.length,
        })}
      />
      <p className="legend soft">
        <span className="stroke own" /> {data.names[0]}
        {data.names.slice(1).map((name, r) => (
          <span key={name}>
            <span className={`stroke hue-${r % 4}`} /> {name}
          </span>
        ))}
      </p>
    </>
  );
}

function valueOf(side: OverTime['dates'][number]['sides'][number], measure: SideMeasure): number | null {
  if (measure === 'front')
    return side.depth.slice(0, FRONT_BANDS).reduce((sum, keywords) => sum + keywords, 0);
  return side[measure];
}

function optionOf(data: OverTime, measure: SideMeasure, ink: ChartInk) {
  const isShare = measure === 'share' || measure === 'visibility';
  const say = (value: number | null | undefined): string =>
    value === null || value === undefined
      ? t('gaps:SidesChart.unknown')
      : isShare
        ? percent(value)
        : count(value);
  const paper = onPaper(ink);
  return {
    ...paper,
    grid: { left: 52, right: 12, top: 12, bottom: 24 },
    tooltip: {
      ...paper.tooltip,
      valueFormatter: say,
    },
    xAxis: timeAxis(ink),
    yAxis: {
      type: 'value',
      min: 0,
      axisLabel: {
        formatter: (value: number) => (isShare ? percent(value, value < 0.1 ? 1 : 0) : count(value)),
      },
      splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
    },
    series: data.names.map((name, n) => ({
      name,
      type: 'line',
      color: n === 0 ? ink.own : ink.rivals[(n - 1) % 4],
      lineStyle: { width: n === 0 ? 2.5 : 1.3 },
      symbol: 'circle',
      symbolSize: n === 0 ? 5 : 3,
      showSymbol: data.dates.length < 15,
      z: n === 0 ? 3 : 2,
      data: data.dates.map(({ date, sides }) => [date, valueOf(sides[n]!, measure)]),
      ...(n === 0 && { markLine: basisMarks(data, ink) }),
    })),
  };
}

/** Where from one day to the next many more keywords were captured: what is drawn does not count them. */
const MUCH_MORE = 1.5;

function basisMarks({ dates }: OverTime, ink: ChartInk) {
  const grown = dates.filter(
    ({ captured }, n) => n > 0 && captured > MUCH_MORE * Math.max(1, dates[n - 1]!.captured),
  );
  return {
    silent: true,
    symbol: 'none',
    lineStyle: { color: ink.soft, type: 'dashed', width: 1 },
    label: { color: ink.soft, fontSize: 11, formatter: ({ name }: { name: string }) => name },
    data: grown.map(({ date, captured }) => ({
      xAxis: date,
      name: t('gaps:SidesChart.capturedCaptured', { captured: count(captured) }),
    })),
  };
}
