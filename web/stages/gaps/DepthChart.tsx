import type { OverTime } from '@opsimath/contract/api/overTime';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { countAxis, onPaper, smallLegend, stepAxis } from '../../parts/charts/paper';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { count } from '../../parts/words/figures';
import { t, wordOf } from '../../words/t';

/** Ranked bands only: absent and unknown would drown them; the tip says both. */
const RANKED = 5;

/** How many keywords one side has at each depth, day by day; the deepest at the top, the lightest. */
export function DepthChart({ data, side }: { data: OverTime; side: number }) {
  const ink = useChartInk();
  const option = useMemo(() => optionOf(data, side, ink), [data, side, ink]);
  return (
    <Chart
      option={option}
      height={190}
      label={t('gaps:DepthChart.keywordsOfSideByDepthOver', { side: data.names[side] })}
    />
  );
}

function optionOf(data: OverTime, side: number, ink: ChartInk) {
  const shades = [...ink.ramp].reverse();
  const paper = onPaper(ink);
  return {
    ...paper,
    grid: { left: 52, right: 12, top: 26, bottom: 24 },
    legend: smallLegend(ink),
    tooltip: {
      ...paper.tooltip,
      formatter: (points: { dataIndex: number }[]) => {
        const { date, sides } = data.dates[points[0]!.dataIndex]!;
        const lines = sides[side]!.depth.map(
          (keywords, n) => `${wordOf(DEPTH_BANDS[n]!)}: ${count(keywords)}`,
        );
        return [`<b>${date}</b>`, ...lines].join('<br>');
      },
    },
    xAxis: stepAxis(
      ink,
      data.dates.map(({ date }) => date),
    ),
    yAxis: countAxis(ink),
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
