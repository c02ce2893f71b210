import type { AdTermRow, PaidQuery, PaidView } from '@opsimath/contract/api/paid';
import { BALANCES, type Balance } from '@opsimath/core/ads/balance';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { onPaper } from '../../parts/charts/paper';
import { count, counted, percent } from '../../parts/words/figures';
import { usePaidQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const DRAWN = 500;
/** A shape for each group, so that it reads without colour. */
const SHAPES: Record<Balance, string> = {
  'sells and is searched': 'circle',
  'sells, seldom searched': 'triangle',
  'searched, seldom sells': 'diamond',
  neither: 'rect',
};

/** Conversion rate, drawn towards all terms, against volume; the lines are the medians. Pressing a term finds it. */
export function BalanceChart({ query, onChoose }: { query: PaidQuery; onChoose: (text: string) => void }) {
  const { project } = useScope();
  const ink = useChartInk();
  const { data } = usePaidQuery({ project, query: { ...query, sort: 'clicks', limit: DRAWN } });
  const rows = useMemo(() => (data?.rows ?? []).filter(({ balance }) => balance !== null), [data]);
  const option = useMemo(() => optionOf(rows, data?.edges ?? null, ink), [rows, data?.edges, ink]);
  return (
    <>
      <Chart
        option={option}
        height={260}
        label={t('gaps:BalanceChart.conversionRateAgainstVolumeOfRows', { rows: rows.length })}
        onReady={(chart) =>
          chart.on('click', (event) => onChoose((event.data as { row: AdTermRow }).row.text))
        }
      />
      <p className="soft">
        {BALANCES.filter((name) => rows.some(({ balance }) => balance === name)).map((name) => (
          <span key={name} className="map-kind">
            <i className={`shape shape-${SHAPES[name]}`} /> {wordOf(name)}
          </span>
        ))}
        {t('gaps:BalanceChart.theRowsWithMostClicksOf', { rows: count(rows.length) })}
      </p>
    </>
  );
}

function optionOf(rows: readonly AdTermRow[], edges: PaidView['edges'], ink: ChartInk) {
  const paper = onPaper(ink);
  const volumes = rows.flatMap(({ volume }) => (volume !== null && volume > 0 ? [volume] : []));
  const most = Math.max(1, ...volumes);
  const least = 10 ** Math.floor(Math.log10(Math.min(most, ...volumes)));
  const top = Math.max(0.001, ...rows.map(({ shrunkConversion }) => shrunkConversion ?? 0));
  const line = (data: [number, number][]) => ({
    type: 'line',
    data,
    silent: true,
    symbol: 'none',
    lineStyle: { color: ink.soft, width: 1, type: 'dotted' },
    tooltip: { show: false },
  });
  return {
    ...paper,
    grid: { left: 54, right: 16, top: 26, bottom: 40 },
    tooltip: {
      ...paper.tooltip,
      trigger: 'item',
      formatter: ({ data }: { data: { row: AdTermRow } }) => {
        const { row } = data;
        const text = row.text.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`);
        return t('gaps:BalanceChart.textShrunkConversionOfClicks', {
          text,
          shrunkConversion: percent(row.shrunkConversion),
          volume: count(row.volume),
          clicks: counted(row.clicks, 'click'),
        });
      },
    },
    xAxis: {
      type: 'log',
      min: least,
      name: t('gaps:BalanceChart.volumeAMonth'),
      nameLocation: 'middle',
      nameGap: 24,
      axisLabel: { formatter: (value: number) => count(value) },
      axisLine: { lineStyle: { color: ink.hairline } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: t('gaps:BalanceChart.conversionRate'),
      nameTextStyle: { align: 'left' },
      axisLabel: { formatter: (value: number) => percent(value) },
      splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
    },
    series: [
      ...BALANCES.map((name) => ({
        type: 'scatter',
        name,
        symbol: SHAPES[name],
        symbolSize: 9,
        itemStyle: {
          color: name.startsWith('sells') ? ink.own : ink.ochre,
          opacity: 0.65,
          borderColor: ink.ink,
          borderWidth: 0.5,
        },
        data: rows
          .filter(({ balance, volume }) => balance === name && (volume ?? 0) > 0)
          .map((row) => ({ value: [row.volume, row.shrunkConversion], row })),
      })),
      ...(edges === null
        ? []
        : [
            line([
              [Math.max(least, edges.volume), 0],
              [Math.max(least, edges.volume), top],
            ]),
            line([
              [least, edges.rate],
              [most, edges.rate],
            ]),
          ]),
    ],
  };
}
