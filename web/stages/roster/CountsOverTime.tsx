import type { TargetProfile } from '@opsimath/contract/api/targets';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { useChartInk } from '../../parts/charts/ink';

const BANDS = ['1–3', '4–10', '11–20', '21–50', '51–100'];

/** Keywords by depth and visibility on every day of which something is known. */
export function CountsOverTime({ points }: { points: TargetProfile['overTime'] }) {
  const ink = useChartInk();
  const option = useMemo(() => {
    return {
      animation: false,
      textStyle: { fontFamily: 'Source Sans 3 Variable', color: ink.soft },
      grid: { left: 44, right: 44, top: 26, bottom: 22 },
      legend: { top: 0, left: 0, itemWidth: 10, itemHeight: 8, textStyle: { color: ink.soft, fontSize: 11 } },
      tooltip: { trigger: 'axis' as const },
      xAxis: {
        type: 'time' as const,
        axisLine: { lineStyle: { color: ink.hairline } },
        axisLabel: { color: ink.soft, fontSize: 11, hideOverlap: true },
      },
      yAxis: [
        {
          type: 'value' as const,
          minInterval: 1,
          splitLine: { lineStyle: { color: ink.hairline } },
          axisLabel: { color: ink.soft, fontSize: 11 },
        },
        {
          type: 'value' as const,
          min: 0,
          splitLine: { show: false },
          axisLabel: {
            color: ink.soft,
            fontSize: 11,
            formatter: (share: number) => `${Math.round(share * 100)} %`,
          },
        },
      ],
      series: [
        ...BANDS.map((name, band) => ({
          name,
          type: 'bar' as const,
          stack: 'depth',
          barMaxWidth: 18,
          itemStyle: { color: ink.ramp[4 - band] },
          data: points.map(({ date, depth }) => [date, depth[band]] as [string, number]),
        })),
        {
          name: 'visibility',
          type: 'line' as const,
          yAxisIndex: 1,
          symbolSize: 5,
          itemStyle: { color: ink.own },
          lineStyle: { color: ink.own, width: 1.5 },
          data: points.flatMap(({ date, visibility }): [string, number][] =>
            visibility === null ? [] : [[date, Math.round(visibility * 10_000) / 10_000]],
          ),
        },
      ],
    };
  }, [points, ink]);
  const last = points.at(-1);
  if (points.length === 0) return null;
  return (
    <section className="section">
      <h2>Keywords by depth, and visibility</h2>
      <p className="faint">
        Each day rests on what was looked up or captured then; few captured keywords make small bars.
      </p>
      <Chart
        option={option}
        height={170}
        label={`Counts by depth on ${points.length} days; last ${last?.date}: ${last?.organic} keywords`}
      />
    </section>
  );
}
