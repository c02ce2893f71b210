import type { ReportChart } from '@opsimath/contract/api/reportContent';
import { shown } from '../../parts/words/figures';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { onPaper, timeAxis } from '../../parts/charts/paper';
import { t } from '../../words/t';

/** A curve for every side, with what was changed as marks. */
export function ReportChartBlock({ chart }: { chart: ReportChart }) {
  const ink = useChartInk();
  const option = useMemo(() => optionOf(chart, ink), [chart, ink]);
  return (
    <figure className="report-chart">
      <figcaption>{chart.title}</figcaption>
      <Chart
        option={option}
        height={240}
        label={t('report:ReportChartBlock.titleDaysDays', { title: chart.title, days: chart.days.length })}
      />
      <p className="legend soft">
        {chart.lines.map(({ name }, n) => (
          <span key={name}>
            <span className={n === 0 ? 'stroke own' : `stroke hue-${(n - 1) % 4}`} /> {name}{' '}
          </span>
        ))}
      </p>
      {chart.caption && <p className="soft">{chart.caption}</p>}
    </figure>
  );
}

function optionOf({ days, lines, marks, unit }: ReportChart, ink: ChartInk) {
  const paper = onPaper(ink);
  const said = (value: number | null): string => shown(unit === 'share' ? 'share' : 'count', value);
  return {
    ...paper,
    animation: false,
    grid: { left: 56, right: 12, top: 20, bottom: 24 },
    tooltip: { ...paper.tooltip, valueFormatter: said },
    dataZoom: [{ type: 'inside', zoomOnMouseWheel: 'ctrl' }],
    xAxis: timeAxis(ink),
    yAxis: {
      type: 'value',
      min: 0,
      axisLabel: { formatter: said },
      splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
    },
    series: lines.map(({ name, values }, n) => ({
      name,
      type: 'line',
      color: n === 0 ? ink.own : ink.rivals[(n - 1) % 4],
      lineStyle: { width: n === 0 ? 2.5 : 1.3 },
      symbolSize: 4,
      showSymbol: days.length < 20,
      data: days.map((day, at) => [day, values[at] ?? null]),
      ...(n === 0 && {
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: ink.ink, type: 'solid', width: 1 },
          label: { show: false },
          data: marks.map(({ day, text }) => ({ xAxis: day, name: text })),
        },
      }),
    })),
  };
}
