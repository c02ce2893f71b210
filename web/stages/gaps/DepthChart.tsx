import type { OverTime } from '@opsimath/contract/api/overTime';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { count } from '../../parts/words/figures';

/** Ranked bands only: absent and unknown would drown them; the tip says both. */
const RANKED = 5;

/** How many keywords one side has at each depth, day by day; the deepest at the top, the lightest. */
export function DepthChart({ data, side }: { data: OverTime; side: number }) {
  const ink = useChartInk();
  const option = useMemo(() => optionOf(data, side, ink), [data, side, ink]);
  return <Chart option={option} height={190} label={`Keywords of ${data.names[side]} by depth over time`} />;
}

function optionOf(data: OverTime, side: number, ink: ChartInk) {
  const shades = [...ink.ramp].reverse();
  return {
    animation: false,
    textStyle: { fontFamily: 'Source Sans 3 Variable', color: ink.soft },
    grid: { left: 52, right: 12, top: 26, bottom: 24 },
    legend: { top: 0, itemWidth: 10, itemHeight: 8, textStyle: { color: ink.soft, fontSize: 11 } },
    tooltip: {
      trigger: 'axis',
      backgroundColor: ink.sheet,
      borderColor: ink.hairline,
      textStyle: { color: ink.ink, fontSize: 12 },
      formatter: (points: { dataIndex: number }[]) => {
        const { date, sides } = data.dates[points[0]!.dataIndex]!;
        const lines = sides[side]!.depth.map((keywords, n) => `${DEPTH_BANDS[n]!}: ${count(keywords)}`);
        return [`<b>${date}</b>`, ...lines].join('<br>');
      },
    },
    xAxis: {
      type: 'category',
      data: data.dates.map(({ date }) => date),
      axisLine: { lineStyle: { color: ink.hairline } },
      axisTick: { show: false },
    },
    yAxis: {
      type: 'value',
      axisLabel: { formatter: (value: number) => count(value) },
      splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
    },
    series: DEPTH_BANDS.slice(0, RANKED).map((band, n) => ({
      name: band,
      type: 'bar',
      stack: 'depth',
      barCategoryGap: '20%',
      itemStyle: { color: shades[n] },
      data: data.dates.map(({ sides }) => sides[side]!.depth[n]),
    })),
  };
}
