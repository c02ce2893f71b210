import type { WatchView } from '@opsimath/contract/api/watch';
import { Segmented, Select } from 'antd';
import { useMemo, useState } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { onPaper, timeAxis } from '../../parts/charts/paper';
import { Ledger } from '../../parts/table/Ledger';
import { count, counted, percent, spelledDay } from '../../parts/words/figures';
import { VisitsBeside } from './VisitsBeside';
import { t, wordOf } from '../../words/t';

/** What can be drawn beside: own figures on a scale of their own, and ours a year before. */
const BESIDE = {
  nothing: t('watch:WatchTotals.nothingBeside'),
  year: t('watch:WatchTotals.oursAYearBefore'),
  clicks: t('watch:WatchTotals.ownClicksADay'),
  impressions: t('watch:WatchTotals.ownImpressionsADay'),
  adCost: t('watch:WatchTotals.adCostADay'),
} as const;
type Beside = keyof typeof BESIDE;

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
  value === null
    ? t('watch:WatchTotals.unknown')
    : measure === 'Visibility'
      ? percent(value)
      : count(Math.round(value));

/** One figure of every side over all keywords that are followed, day by day, with the changes as marks. */
export function WatchTotals({ watch }: { watch: WatchView }) {
  const [measure, setMeasure] = useState<Measure>('Visibility');
  const [beside, setBeside] = useState<Beside>('nothing');
  const [asTable, showTable] = useState(false);
  const ink = useChartInk();
  const option = useMemo(() => optionOf(watch, measure, beside, ink), [watch, measure, beside, ink]);
  const extra = beside === 'nothing' ? null : valuesBeside(watch, measure, beside);
  return (
    <section aria-label={t('watch:WatchTotals.inTotal')}>
      <p className="soft">
        <Segmented
          size="small"
          aria-label={t('watch:WatchTotals.figure')}
          value={measure}
          options={MEASURES.map((value) => ({ value, label: wordOf(value) }))}
          onChange={(next) => setMeasure(next as Measure)}
        />{' '}
        <Select<Beside>
          size="small"
          aria-label={t('watch:WatchTotals.whatIsDrawnBeside')}
          popupMatchSelectWidth={false}
          value={beside}
          options={(Object.keys(BESIDE) as Beside[]).map((value) => ({ value, label: BESIDE[value] }))}
          onChange={setBeside}
        />{' '}
        {t('watch:WatchTotals.everyDayOverTheSameKeywords', { keywords: counted(watch.panel, 'keyword') })}{' '}
        <button className="plain written" aria-expanded={asTable} onClick={() => showTable(!asTable)}>
          {asTable ? t('watch:WatchTotals.hideTheDays') : t('watch:WatchTotals.theDaysAsATable')}
        </button>
      </p>
      <Chart
        option={option}
        height={300}
        label={t('watch:WatchTotals.measureOfNamesSidesOnDays', {
          measure: wordOf(measure),
          names: watch.names.length,
          days: watch.days.length,
        })}
      />
      <p className="legend soft">
        <span className="stroke own" /> {watch.names[0]}
        {extra !== null && (
          <span>
            {' '}
            <span className="stroke beside" /> {BESIDE[beside]}
            {extra.every((value) => value === null) && t('watch:WatchTotals.nothingIsHeld')}{' '}
          </span>
        )}
        {watch.names.slice(1).map((name, r) => (
          <span key={name}>
            <span className={`stroke hue-${r % 4}`} /> {name}
          </span>
        ))}
      </p>
      {asTable && (
        <Ledger
          label={t('watch:WatchTotals.days')}
          rows={watch.days.map((date, n) => ({ date, n })).reverse()}
          keyOf={({ date }) => date}
          columns={[
            { head: t('watch:WatchTotals.day'), cell: ({ date }) => spelledDay(date) },
            ...watch.names.map((name, side) => ({
              head: name,
              figure: true,
              cell: ({ n }: { n: number }) => said(valueOf(watch.totals[side]![n]!, measure), measure),
            })),
            ...(extra === null
              ? []
              : [
                  {
                    head: BESIDE[beside],
                    figure: true,
                    cell: ({ n }: { n: number }) =>
                      beside === 'year' ? said(extra[n]!, measure) : count(extra[n]),
                  },
                ]),
          ]}
        />
      )}
      <VisitsBeside />
    </section>
  );
}

/** One value a day; `null` where nothing is held. */
function valuesBeside({ beside, yearBefore }: WatchView, measure: Measure, which: Beside): (number | null)[] {
  if (which === 'nothing') return [];
  return which === 'year'
    ? yearBefore.map((total) => (total === null ? null : valueOf(total, measure)))
    : beside[which];
}

function optionOf(watch: WatchView, measure: Measure, beside: Beside, ink: ChartInk) {
  const { days, totals, names, changes } = watch;
  const onScale = beside !== 'nothing' && beside !== 'year';
  const paper = onPaper(ink);
  return {
    ...paper,
    grid: { left: 56, right: onScale ? 52 : 12, top: 20, bottom: 24 },
    tooltip: { ...paper.tooltip, valueFormatter: (value: number | null) => said(value, measure) },
    dataZoom: [{ type: 'inside' }],
    xAxis: timeAxis(ink),
    yAxis: [
      {
        type: 'value',
        min: 0,
        axisLabel: {
          formatter: (value: number) => (measure === 'Visibility' ? percent(value) : count(value)),
        },
        splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
      },
      ...(onScale
        ? [
            {
              type: 'value',
              min: 0,
              position: 'right',
              axisLabel: { formatter: (value: number) => count(value) },
              splitLine: { show: false },
            },
          ]
        : []),
    ],
    series: [
      ...names.map((name, side) => ({
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
      ...(beside === 'nothing'
        ? []
        : [
            {
              name: BESIDE[beside],
              type: 'line',
              color: ink.ochre,
              lineStyle: { width: 1.5, type: 'dashed' },
              symbolSize: 3,
              showSymbol: days.length < 20,
              ...(onScale && {
                yAxisIndex: 1,
                tooltip: { valueFormatter: (value: number | null) => count(value) },
              }),
              data: days.map((day, n) => [day, valuesBeside(watch, measure, beside)[n] ?? null]),
            },
          ]),
    ],
  };
}

/** Changes of one day are one mark. */
function marksOf(changes: WatchView['changes']) {
  const byDay = new Map<string, string[]>();
  for (const { date, kind } of changes) byDay.set(date, [...(byDay.get(date) ?? []), kind]);
  return [...byDay].map(([xAxis, kinds]) => ({
    xAxis,
    name: kinds.length === 1 ? kinds[0]! : t('watch:WatchTotals.kindsChanges', { kinds: kinds.length }),
  }));
}
