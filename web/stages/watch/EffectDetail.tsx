import type { ChangeEffect } from '@opsimath/contract/api/watch';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { onPaper, timeAxis } from '../../parts/charts/paper';
import { decimal, spelledDay } from '../../parts/words/figures';
import { ChangeAround } from './ChangeAround';
import { meanPosition } from './watchWords';

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
        <Chart
          option={option}
          height={170}
          label="Mean score of its keywords, and of others like them, by day"
        />
        <p className="legend soft">
          <span className="stroke own" />{' '}
          {keywords.length === 1 ? 'its keyword' : `its ${keywords.length} keywords`}{' '}
          <span className="stroke hue-0" /> keywords that nothing was done to. A score is higher the better
          the place: 0 is absent, 4.6 is first.
        </p>
        {effect.state === 'told' && (
          <p className="soft">
            Effect on the score {decimal(effect.effect, 2)}, 95 % between {decimal(effect.low, 2)} and{' '}
            {decimal(effect.high, 2)}, against {effect.control} keywords.{' '}
            {effect.later.length > 0 &&
              `Later: ${effect.later
                .map(
                  ({ from, low, high }) =>
                    `from ${spelledDay(from)} ${decimal(low, 2)} to ${decimal(high, 2)}`,
                )
                .join('; ')}.`}
          </p>
        )}
        {others.length > 0 && (
          <p className="soft">
            Mixed with {others.map(({ kind, date }) => `${kind} of ${spelledDay(date)}`).join(', ')}: their
            effect cannot be told apart.
          </p>
        )}
        <ChangeAround change={change} />
        {followed && (
          <p className="soft">
            Own clicks on these keywords went from {decimal(followed.before, 1)} to{' '}
            {decimal(followed.after, 1)} a day.
          </p>
        )}
      </div>
      <table className="ledger" aria-label="Before and after">
        <thead>
          <tr>
            <th>Keyword, as fixed when it was changed</th>
            <th className="figure">Before</th>
            <th className="figure">After</th>
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
    { xAxis: date, label: { formatter: 'changed', position: 'insideEndTop' } },
    ...(seenFrom !== null && seenFrom > date
      ? [{ xAxis: seenFrom, label: { formatter: 'seen', position: 'insideStartBottom' } }]
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
        ...line('its keywords', ink.own, 2.5, ({ treated }) => treated),
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: ink.ink, type: 'solid', width: 1 },
          label: { color: ink.soft, fontSize: 11 },
          data: marks,
        },
      },
      line('others like them', ink.rivals[0]!, 1.3, ({ control }) => control),
    ],
  };
}
