import type { OverTime } from '@opsimath/contract/api/overTime';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { countAxis, onPaper, smallLegend, stepAxis } from '../../parts/charts/paper';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { counted, decimal } from '../../parts/words/figures';
import { t } from '../../words/t';

/** Own clicks and impressions of the same keywords, week by week; each on an axis of its own. */
export function WeeksChart({ weeks }: { weeks: OverTime['weeks'] }) {
  const ink = useChartInk();
  const option = useMemo(() => optionOf(weeks, ink), [weeks, ink]);
  if (weeks.length === 0) return <p className="soft">{t('gaps:WeeksChart.noOwnSearchPerformanceOfThese')}</p>;
  return (
    <Chart
      option={option}
      height={190}
      label={t('gaps:WeeksChart.ownClicksAndImpressionsOverWeeks', { weeks: weeks.length })}
    />
  );
}

function optionOf(weeks: OverTime['weeks'], ink: ChartInk) {
  const paper = onPaper(ink);
  return {
    ...paper,
    grid: { left: 52, right: 58, top: 26, bottom: 24 },
    legend: smallLegend(ink),
    tooltip: {
      ...paper.tooltip,
      formatter: (points: { dataIndex: number }[]) => {
        const { from, clicks, impressions, position } = weeks[points[0]!.dataIndex]!;
        return t('gaps:WeeksChart.weekFromFromClicksImpressions', {
          from,
          clicks: counted(clicks, 'click'),
          impressions: counted(impressions, 'impression'),
          position: decimal(position, 1),
        });
      },
    },
    xAxis: stepAxis(
      ink,
      weeks.map(({ from }) => from),
    ),
    yAxis: [0, 1].map(() => ({ ...countAxis(ink), splitLine: { show: false } })),
    series: [
      {
        name: t('gaps:WeeksChart.impressionsRight'),
        type: 'bar',
        yAxisIndex: 1,
        itemStyle: { color: ink.hairline },
        data: weeks.map(({ impressions }) => impressions),
      },
      {
        name: t('gaps:WeeksChart.clicks'),
        type: 'line',
        color: ink.own,
        lineStyle: { width: 2 },
        symbolSize: 4,
        data: weeks.map(({ clicks }) => clicks),
      },
    ],
  };
}
