import { useMemo } from 'react';
import { Chart } from './Chart';
import { useChartInk } from './ink';
import { t } from '../../words/t';

/** Monthly searches as the source gave them; unknown months are left open. */
export function VolumeChart({
  firstMonth,
  months,
}: {
  firstMonth: string;
  months: readonly (number | null)[];
}) {
  const ink = useChartInk();
  const option = useMemo(() => {
    const [year, month] = firstMonth.split('-').map(Number) as [number, number];
    const data = months.map((count, i) => [
      new Date(Date.UTC(year, month - 1 + i, 1)).toISOString().slice(0, 10),
      count,
    ]);
    return {
      animation: false,
      textStyle: { fontFamily: 'Source Sans 3 Variable', color: ink.soft },
      grid: { left: 54, right: 10, top: 10, bottom: 24 },
      tooltip: {
        trigger: 'axis',
        backgroundColor: ink.sheet,
        borderColor: ink.hairline,
        textStyle: { color: ink.ink, fontSize: 12 },
      },
      xAxis: {
        type: 'time',
        axisLine: { lineStyle: { color: ink.hairline } },
        axisLabel: { hideOverlap: true, formatter: { year: '{yyyy}', month: '{MMM}' } },
      },
      yAxis: { type: 'value', min: 0, splitNumber: 3, splitLine: { lineStyle: { color: ink.hairline } } },
      series: [
        {
          type: 'line',
          name: t('parts:VolumeChart.searches'),
          data,
          color: ink.ochre,
          showSymbol: false,
          lineStyle: { width: 1.6 },
        },
      ],
    };
  }, [firstMonth, months, ink]);
  return <Chart option={option} height={140} label={t('parts:VolumeChart.searchesAMonth')} />;
}
