import type { ChangeEffect } from '@opsimath/contract/api/watch';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { onPaper, timeAxis } from '../../parts/charts/paper';
import { decimal, spelledDay } from '../../parts/words/figures';
import { ChangeAround } from './ChangeAround';
import { meanPosition } from './watchWords';
import { t, wordOf } from '../../words/t';

interface EffectDetailProps {
  change: ChangeEffect;
  changes: readonly ChangeEffect[];
}

/** Both curves, the keywords before and after, later windows, what it is mixed with, and whether clicks followed. */
export function EffectDetail({ change, changes }: EffectDetailProps) {
  const ink = useChartInk();
  const option = useMemo(() => optionOf(change, ink), [change, ink]);
  const { effect, keywords, mixedWith, followed } = change;
  const others = changes.filter(({ id }) => mixedWith.includes(id));
  return (
    <div className="effect-detail">
      <div>
        <Chart option={option} height={170} label={t('watch:EffectDetail.meanScoreOfItsKeywordsAnd')} />
        <p className="legend soft">
          <span className="stroke own" />{' '}
          {keywords.length === 1
            ? t('watch:EffectDetail.itsKeyword')
            : t('watch:EffectDetail.itsKeywordsKeywords', { keywords: keywords.length })}{' '}
          <span className="stroke hue-0" /> {t('watch:EffectDetail.keywordsThatNothingWasDoneTo')}
        </p>
        {effect.state === 'told' && (
          <p className="soft">
            {t('watch:EffectDetail.effectOnTheScoreEffect95', {
              effect: decimal(effect.effect, 2),
              low: decimal(effect.low, 2),
              high: decimal(effect.high, 2),
              control: effect.control,
            })}{' '}
            {effect.later.length > 0 &&
              t('watch:EffectDetail.laterLater', {
                later: effect.later
                  .map(({ from, low, high }) =>
                    t('watch:EffectDetail.fromFromLowToHigh', {
                      from: spelledDay(from),
                      low: decimal(low, 2),
                      high: decimal(high, 2),
                    }),
                  )
                  .join('; '),
              })}
          </p>
        )}
        {others.length > 0 && (
          <p className="soft">
            {t('watch:EffectDetail.mixedWithOthersTheirEffectCannot', {
              others: others
                .map(({ kind, date }) =>
                  t('watch:EffectDetail.kindOfDate', { kind: wordOf(kind), date: spelledDay(date) }),
                )
                .join(', '),
            })}
          </p>
        )}
        <ChangeAround change={change} />
        {followed && (
          <p className="soft">
            {t('watch:EffectDetail.ownClicksOnTheseKeywordsWent', {
              before: decimal(followed.before, 1),
              after: decimal(followed.after, 1),
            })}
          </p>
        )}
      </div>
      <table className="ledger" aria-label={t('watch:EffectDetail.beforeAndAfter')}>
        <thead>
          <tr>
            <th>{t('watch:EffectDetail.keywordAsFixedWhenItWas')}</th>
            <th className="figure">{t('watch:EffectDetail.before')}</th>
            <th className="figure">{t('watch:EffectDetail.after')}</th>
          </tr>
        </thead>
        <tbody>
          {keywords.slice(0, 12).map(({ id, text, before, after }) => (
            <tr key={id}>
              <td>{text}</td>
              <td className="figure">{meanPosition(before)}</td>
              <td className="figure">{meanPosition(after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function optionOf({ curve, date, seenFrom }: ChangeEffect, ink: ChartInk) {
  const line = (
    name: string,
    color: string,
    width: number,
    of: (one: ChangeEffect['curve'][number]) => number | null,
  ) => ({
    name,
    type: 'line',
    color,
    lineStyle: { width },
    symbol: 'circle',
    symbolSize: 3,
    showSymbol: curve.length < 40,
    data: curve.map((one) => [one.date, of(one)]),
  });
  const marks = [
    { xAxis: date, label: { formatter: wordOf('changed'), position: 'insideEndTop' } },
    ...(seenFrom !== null && seenFrom > date
      ? [{ xAxis: seenFrom, label: { formatter: wordOf('seen'), position: 'insideStartBottom' } }]
      : []),
  ];
  return {
    ...onPaper(ink),
    tooltip: { ...onPaper(ink).tooltip, valueFormatter: (value: number | null) => decimal(value, 2) },
    grid: { left: 36, right: 12, top: 18, bottom: 24 },
    xAxis: timeAxis(ink),
    yAxis: {
      type: 'value',
      min: 0,
      max: 5,
      splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
    },
    series: [
      {
        ...line(t('watch:EffectDetail.itsKeywords'), ink.own, 2.5, ({ treated }) => treated),
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: ink.ink, type: 'solid', width: 1 },
          label: { color: ink.soft, fontSize: 11 },
          data: marks,
        },
      },
      line(t('watch:EffectDetail.othersLikeThem'), ink.rivals[0]!, 1.3, ({ control }) => control),
    ],
  };
}
