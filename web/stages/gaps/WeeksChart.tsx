import type { OverTime } from '@opsimath/contract/api/overTime';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { count, decimal } from '../../parts/words/figures';

/** Own clicks and impressions of the same keywords, week by week; each on an axis of its own. */
export function WeeksChart({ weeks }: { weeks: OverTime['weeks'] }) {
  const ink = useChartInk();
  const option = useMemo(() => optionOf(weeks, ink), [weeks, ink]);
  if (weeks.length === 0)
    return (
      <p className="soft">
        No own search performance of these keywords is held. The Roster takes it in, under Files.
      </p>
    );
  return (
    <Chart option={option} height={190} label={`Own clicks and impressions over ${weeks.length} weeks`} />
  );
}

function optionOf(weeks: OverTime['weeks'], ink: ChartInk) {
  return {
    animation: false,
    textStyle: { fontFamily: 'Source Sans 3 Variable', color: ink.soft },
    grid: { left: 52, right: 58, top: 26, bottom: 24 },
    legend: { top: 0, itemWidth: 14, itemHeight: 8, textStyle: { color: ink.soft, fontSize: 11 } },
    tooltip: {
      trigger: 'axis',
      backgroundColor: ink.sheet,
      borderColor: ink.hairline,
      textStyle: { color: ink.ink, fontSize: 12 },
      formatter: (points: { dataIndex: number }[]) => {
        const { from, clicks, impressions, position } = weeks[points[0]!.dataIndex]!;
        return `<b>week from ${from}</b><br>${count(clicks)} clicks, ${count(impressions)} impressions<br>average position ${decimal(position, 1)}`;
      },
    },
    xAxis: {
      type: 'category',
      data: weeks.map(({ from }) => from),
      axisLine: { lineStyle: { color: ink.hairline } },
      axisTick: { show: false },
    },
    yAxis: [
      {
        type: 'value',
        axisLabel: { formatter: (value: number) => count(value) },
        splitLine: { show: false },
      },
      {
        type: 'value',
        axisLabel: { formatter: (value: number) => count(value) },
        splitLine: { show: false },
      },
    ],
    series: [
      {
        name: 'impressions (right)',
        type: 'bar',
        yAxisIndex: 1,
        itemStyle: { color: ink.hairline },
        data: weeks.map(({ impressions }) => impressions),
      },
      {
        name: 'clicks',
        type: 'line',
        color: ink.own,
        lineStyle: { width: 2 },
        symbolSize: 4,
        data: weeks.map(({ clicks }) => clicks),
      },
    ],
  };
}
