import type { MarketModels } from '@opsimath/contract/api/models';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { useChartInk } from '../../parts/charts/ink';
import { t } from '../../words/t';

const SHOWN = 30;

/** Click-through by position: as used, the prior, and what own search performance itself says. */
export function CurveChart({ points }: { points: MarketModels['curve']['points'] }) {
  const ink = useChartInk();
  const option = useMemo(() => {
    const shown = points.slice(0, SHOWN);
    const percent = (share: number): number => Math.round(share * 10_000) / 100;
    const line = (name: string, data: [number, number][], more: object) => ({
      name,
      type: 'line',
      data,
      showSymbol: false,
      ...more,
    });
    return {
      animation: false,
      textStyle: { fontFamily: 'Source Sans 3 Variable', color: ink.soft },
      grid: { left: 46, right: 10, top: 28, bottom: 34 },
      legend: { top: 0, left: 0, itemWidth: 18, textStyle: { color: ink.soft } },
      tooltip: {
        trigger: 'axis',
        backgroundColor: ink.sheet,
        borderColor: ink.hairline,
        textStyle: { color: ink.ink, fontSize: 12 },
        valueFormatter: (value: number) => `${value} %`,
      },
      xAxis: {
        type: 'value',
        min: 1,
        max: SHOWN,
        name: t('roster:CurveChart.position'),
        nameLocation: 'middle',
        nameGap: 20,
        axisLine: { lineStyle: { color: ink.hairline } },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value',
        min: 0,
        splitNumber: 3,
        axisLabel: { formatter: '{value} %' },
        splitLine: { lineStyle: { color: ink.hairline } },
      },
      series: [
        line(
          t('roster:CurveChart.asUsed'),
          shown.map((point) => [point.position, percent(point.used)]),
          {
            color: ink.own,
            step: 'middle',
            lineStyle: { width: 2 },
          },
        ),
        line(
          'prior',
          shown.map((point) => [point.position, percent(point.prior)]),
          {
            color: ink.soft,
            lineStyle: { width: 1.2, type: 'dashed' },
          },
        ),
        {
          name: t('roster:CurveChart.ownSearchPerformanceAlone'),
          type: 'scatter',
          symbol: 'circle',
          symbolSize: 5,
          color: ink.ochre,
          data: shown
            .filter((point) => point.impressions > 0)
            .map((point) => [point.position, percent(point.clicks / point.impressions)]),
        },
      ],
    };
  }, [points, ink]);
  return <Chart option={option} height={220} label={t('roster:CurveChart.clickThroughByPositionAsUsed')} />;
}
