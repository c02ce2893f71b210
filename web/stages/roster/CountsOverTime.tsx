import type { TargetProfile } from '@opsimath/contract/api/targets';
import { useMemo } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { useChartInk } from '../../parts/charts/ink';
import { count, percent } from '../../parts/words/figures';
import { t } from '../../words/t';

const BANDS = ['1–3', '4–10', '11–20', '21–50', '51–100'];

/** A day on which this many were captured says as much of the whole as a look-up. */
const MANY = 500;

/**
 * Keywords by depth and visibility over time. Days on which the whole target was looked at stand in a table, days of
 * a few tracked keywords in a chart: on one axis the second would vanish beside the first.
 */
export function CountsOverTime({ points }: { points: TargetProfile['overTime'] }) {
  const isWhole = (point: TargetProfile['overTime'][number]): boolean => point.whole || point.looked >= MANY;
  const few = points.filter((point) => !isWhole(point));
  return (
    <>
      <WholeDays points={points.filter(isWhole)} />
      {few.length > 1 && <TrackedDays points={few} />}
    </>
  );
}

const MOST_DAYS = 8;

function WholeDays({ points }: { points: TargetProfile['overTime'] }) {
  if (points.length === 0) return null;
  return (
    <section className="section">
      <h2>{t('roster:CountsOverTime.keywordsByDepth')}</h2>
      <table className="ledger depth-days">
        <thead>
          <tr>
            <th>{t('roster:CountsOverTime.day')}</th>
            {BANDS.map((band) => (
              <th key={band} className="figure">
                {band}
              </th>
            ))}
            <th className="figure">{t('roster:CountsOverTime.paid')}</th>
            <th className="figure" title={t('roster:CountsOverTime.vCPVC1')}>
              {t('roster:CountsOverTime.visib')}
            </th>
          </tr>
        </thead>
        <tbody>
          {points.slice(-MOST_DAYS).map(({ date, depth, paid, visibility }) => (
            <tr key={date}>
              <td>{date}</td>
              {depth.map((keywords, band) => (
                <td key={BANDS[band]} className="figure">
                  {count(keywords)}
                </td>
              ))}
              <td className="figure">{count(paid)}</td>
              <td className="figure">{percent(visibility, 0)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function TrackedDays({ points }: { points: TargetProfile['overTime'] }) {
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
          name: t('roster:CountsOverTime.visibility'),
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
  return (
    <section className="section">
      <h2>{t('roster:CountsOverTime.trackedKeywordsOverTime')}</h2>
      <p className="faint">
        {t('roster:CountsOverTime.ofTheKeywordsCapturedOnEach')} {points.at(-1)?.looked}{' '}
        {t('roster:CountsOverTime.onTheLast')}
      </p>
      <Chart
        option={option}
        height={170}
        label={t('roster:CountsOverTime.countsByDepthOnPointsDays', {
          points: points.length,
          date: last?.date,
          organic: last?.organic,
        })}
      />
    </section>
  );
}
