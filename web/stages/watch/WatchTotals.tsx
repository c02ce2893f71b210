import type { WatchView } from '@opsimath/contract/api/watch';
import { Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { onPaper, timeAxis } from '../../parts/charts/paper';
import { Ledger } from '../../parts/table/Ledger';
import { count, percent, spelledDay } from '../../parts/words/figures';

const MEASURES = ['Visibility', 'Clicks a month', 'On the front', 'Paid slots'] as const;
type Measure = (typeof MEASURES)[number];
/** Depths that are the first ten, as the bands have them. */
const FRONT_BANDS = 2;

const valueOf = (total: WatchView['totals'][number][number], measure: Measure): number | null =>
  measure === 'Visibility'
    ? total.visibility
    : measure === 'Clicks a month'
      ? total.clicks
      : measure === 'On the front'
        ? total.depth.slice(0, FRONT_BANDS).reduce((sum, one) => sum + one, 0)
        : total.paid;

const said = (value: number | null, measure: Measure): string =>
  value === null ? 'unknown' : measure === 'Visibility' ? percent(value) : count(Math.round(value));

/** One figure of every side over all keywords that are followed, day by day, with the changes as marks. */
export function WatchTotals({ watch }: { watch: WatchView }) {
  const [measure, setMeasure] = useState<Measure>('Visibility');
  const [asTable, showTable] = useState(false);
  const ink = useChartInk();
  const option = useMemo(() => optionOf(watch, measure, ink), [watch, measure, ink]);
  return (
    <section aria-label="In total">
      <p className="soft">
        <Segmented
          size="small"
          aria-label="Figure"
          value={measure}
          options={[...MEASURES]}
          onChange={(next) => setMeasure(next as Measure)}
        />{' '}
        Every day over the same {count(watch.panel)} keywords, those captured on the first day drawn. Turn the
        wheel over it to zoom, carry it to move.{' '}
        <button className="plain written" aria-expanded={asTable} onClick={() => showTable(!asTable)}>
          {asTable ? 'Hide the days' : 'The days as a table'}
        </button>
      </p>
      <Chart
        option={option}
        height={300}
        label={`${measure} of ${watch.names.length} sides on ${watch.days.length} days`}
      />
      <p className="legend soft">
        <span className="stroke own" /> {watch.names[0]}
        {watch.names.slice(1).map((name, r) => (
          <span key={name}>
            <span className={`stroke hue-${r % 4}`} /> {name}
          </span>
        ))}
      </p>
      {asTable && (
        <Ledger
          label="Days"
          rows={watch.days.map((date, n) => ({ date, n })).reverse()}
          keyOf={({ date }) => date}
          columns={[
            { head: 'Day', cell: ({ date }) => spelledDay(date) },
            ...watch.names.map((name, side) => ({
              head: name,
              figure: true,
              cell: ({ n }: { n: number }) => said(valueOf(watch.totals[side]![n]!, measure), measure),
            })),
          ]}
        />
      )}
    </section>
  );
}

function optionOf({ days, totals, names, changes }: WatchView, measure: Measure, ink: ChartInk) {
  const paper = onPaper(ink);
  return {
    ...paper,
    grid: { left: 56, right: 12, top: 20, bottom: 24 },
    tooltip: { ...paper.tooltip, valueFormatter: (value: number | null) => said(value, measure) },
    dataZoom: [{ type: 'inside' }],
    xAxis: timeAxis(ink),
    yAxis: {
      type: 'value',
      min: 0,
      axisLabel: { formatter: (value: number) => (measure === 'Visibility' ? percent(value) : count(value)) },
      splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
    },
    series: names.map((name, side) => ({
      name,
      type: 'line',
      color: side === 0 ? ink.own : ink.rivals[(side - 1) % 4],
      lineStyle: { width: side === 0 ? 2.5 : 1.3 },
      symbol: 'circle',
      symbolSize: 4,
      showSymbol: days.length < 20,
      z: side === 0 ? 3 : 2,
      data: days.map((day, n) => [day, valueOf(totals[side]![n]!, measure)]),
      ...(side === 0 && {
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: ink.ink, type: 'solid', width: 1 },
          label: { color: ink.soft, fontSize: 11, formatter: '{b}', position: 'insideEndTop' },
          data: marksOf(changes),
        },
      }),
    })),
  };
}

/** Changes of one day are one mark. */
function marksOf(changes: WatchView['changes']) {
  const byDay = new Map<string, string[]>();
  for (const { date, kind } of changes) byDay.set(date, [...(byDay.get(date) ?? []), kind]);
  return [...byDay].map(([xAxis, kinds]) => ({
    xAxis,
    name: kinds.length === 1 ? kinds[0]! : `${kinds.length} changes`,
  }));
}
