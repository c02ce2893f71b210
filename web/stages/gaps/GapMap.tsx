import { readLimits, writeLimits } from '@opsimath/contract/api/gapLimits';
import { type GapPage, type GapRow } from '@opsimath/contract/api/gaps';
import { type GapQuery } from '@opsimath/contract/api/gapQuery';
import { GAP_KINDS, type GapKind } from '@opsimath/core/gap/kind';
import type { EChartsType } from 'echarts/core';
import { useCallback, useMemo, useRef } from 'react';
import { Chart } from '../../parts/charts/Chart';
import { type ChartInk, useChartInk } from '../../parts/charts/ink';
import { onPaper } from '../../parts/charts/paper';
import { count, decimal, worth } from '../../parts/words/figures';
import { warningWords } from '../../parts/words/Warned';
import { CHANCE_ENDS, CHANCE_TICKS, chanceAtPlace, placeOfChance } from './chanceScale';
import { useGapPageQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const DRAWN = 500;
/** A shape for each kind, so that it reads without colour. */
const SHAPES: Record<GapKind, string> = {
  absent: 'circle',
  buried: 'triangle',
  trailing: 'diamond',
  open: 'rect',
  leading: 'roundRect',
  alone: 'pin',
  unknown: 'arrow',
};
const SMALLEST = 6;
const LARGEST = 34;

/**
 * What the best action adds against its chance, size by demand, shape by kind. A field drawn with the mouse narrows the table
 * to it, a point opens its dossier.
 */
export function GapMap({ project, query, page }: { project: number; query: GapQuery; page: GapPage }) {
  const { scope, change } = useScope();
  const ink = useChartInk();
  // The field must not take away what lies outside it: the map shows all, the table what is in the field.
  const others = writeLimits(
    readLimits(scope.limits).filter(({ figure }) => figure !== 'chance' && figure !== 'a month'),
  );
  const { data } = useGapPageQuery({
    project,
    query: { ...query, limits: others, sort: '-priority', offset: 0, limit: DRAWN },
  });
  const rows = useMemo(
    () => (data?.rows ?? []).filter(({ chance, worthAMonth }) => chance !== null && (worthAMonth ?? 0) > 0),
    [data],
  );
  const option = useMemo(() => optionOf(rows, ink, page.currency), [rows, ink, page.currency]);
  const openPoint = useRef<(keyword: number) => void>(() => undefined);
  const choose = useRef<(field: Field | null) => void>(() => undefined);
  const withField = (field: Field | null): void => {
    const kept = readLimits(others);
    const next = field
      ? [
          ...kept,
          { figure: 'a month' as const, ...field.adds, unknown: false },
          { figure: 'chance' as const, ...field.chance, unknown: false },
        ]
      : kept;
    change({ limits: writeLimits(next) }, { replace: true });
  };
  const onReady = useCallback((chart: EChartsType) => {
    chart.dispatchAction({
      type: 'takeGlobalCursor',
      key: 'brush',
      brushOption: { brushType: 'rect', brushMode: 'single' },
    });
    chart.on('brushEnd', (event) => choose.current(fieldOf(event)));
    chart.on('click', (event) => {
      const { row } = event.data as { row?: GapRow };
      if (row) openPoint.current(row.id);
    });
  }, []);
  return (
    <section className="gap-map" aria-label={t('gaps:GapMap.mapOfGaps')}>
      <Chart
        option={option}
        height={290}
        label={t('gaps:GapMap.whatIsAddedAgainstChanceOf', { rows: rows.length })}
        onReady={(chart) => {
          choose.current = withField;
          openPoint.current = (open) => change({ open });
          onReady(chart);
        }}
      />
      <p className="soft">
        {GAP_KINDS.filter((kind) => rows.some((row) => row.kind === kind)).map((kind) => (
          <span key={kind} className="map-kind">
            <i className={`shape shape-${SHAPES[kind]}`} style={legendPaint(kind, ink)} /> {wordOf(kind)}
          </span>
        ))}
        {t('gaps:GapMap.sizeIsDemandTheRowsOf', { rows: count(rows.length) })}
        {data && data.total > rows.length && t('gaps:GapMap.ofTotal', { total: count(data.total) })}
        {t('gaps:GapMap.pressAPointForItsDossier')}
        {scope.limits !== others && ': '}
        {scope.limits !== others && (
          <button className="plain written" onClick={() => withField(null)}>
            {t('gaps:GapMap.clearTheField')}
          </button>
        )}
        .
      </p>
    </section>
  );
}

/** Dark where we are missing, ochre where we are behind, our colour where we lead; open ones are hollow. */
function paintOf(kind: GapKind, ink: ChartInk) {
  const fill: Record<GapKind, string> = {
    absent: ink.ink,
    buried: ink.ochre,
    trailing: ink.ramp[1]!,
    open: ink.sheet,
    leading: ink.own,
    alone: ink.sheet,
    unknown: ink.sheet,
  };
  const line: Partial<Record<GapKind, string>> = { open: ink.ochre, alone: ink.own, unknown: ink.soft };
  return {
    color: fill[kind],
    opacity: 0.62,
    borderColor: line[kind] ?? ink.ink,
    borderWidth: kind in line ? 1.5 : 0.5,
  };
}

function legendPaint(kind: GapKind, ink: ChartInk): React.CSSProperties {
  const { color, borderColor } = paintOf(kind, ink);
  return { background: color, borderColor };
}

interface Field {
  adds: { least: number; most: number };
  chance: { least: number; most: number };
}

/** The field that was drawn, in figures; `null` where it was only pressed. */
function fieldOf(event: unknown): Field | null {
  const area = (event as { areas?: { coordRange?: [[number, number], [number, number]] }[] }).areas?.[0];
  if (!area?.coordRange) return null;
  const [x, y] = area.coordRange;
  const [left, right] = [Math.min(...x), Math.max(...x)];
  const [low, high] = [Math.min(...y), Math.max(...y)];
  if (right - left < 1e-4 || high <= low) return null;
  const rounded = (value: number): number => Number(value.toPrecision(4));
  return {
    chance: { least: rounded(chanceAtPlace(left)), most: rounded(chanceAtPlace(right)) },
    adds: { least: rounded(low), most: rounded(high) },
  };
}

function optionOf(rows: readonly GapRow[], ink: ChartInk, currency: string) {
  const most = rows.reduce((top, row) => Math.max(top, row.demand ?? 0), 0);
  const size = (row: GapRow): number =>
    most > 0 ? SMALLEST + (LARGEST - SMALLEST) * Math.sqrt((row.demand ?? 0) / most) : SMALLEST;
  const shown = GAP_KINDS.filter((kind) => rows.some((row) => row.kind === kind));
  const paper = onPaper(ink);
  const places = CHANCE_TICKS.map(placeOfChance);
  return {
    ...paper,
    grid: { left: 58, right: 16, top: 26, bottom: 40 },
    brush: {
      xAxisIndex: 0,
      yAxisIndex: 0,
      throttleType: 'debounce',
      brushStyle: { borderWidth: 1, color: 'rgba(30,90,100,0.10)', borderColor: ink.own },
      outOfBrush: { colorAlpha: 0.35 },
      toolbox: [],
    },
    tooltip: {
      ...paper.tooltip,
      trigger: 'item',
      formatter: ({ data }: { data: { row: GapRow } }) => {
        const { row } = data;
        const safe = (words: string): string => words.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`);
        const warned = row.warnings.map((warning) => `<br>${safe(warningWords(warning))}`).join('');
        return t('gaps:GapMap.safeKindChanceAsIsChanceDemand', {
          safe: safe(row.text),
          kind: wordOf(row.kind),
          asIs: decimal(row.asIs, 2),
          chance: decimal(row.chance, 2),
          demand: count(row.demand),
          worthAMonth: worth(row.worthAMonth),
          currency,
          action: wordOf(row.action),
          warned,
        });
      },
    },
    xAxis: {
      type: 'value',
      name: t('gaps:GapMap.chanceOfTheFrontAfterThe'),
      nameLocation: 'middle',
      nameGap: 24,
      min: CHANCE_ENDS[0],
      max: CHANCE_ENDS[1],
      axisLabel: { customValues: places, formatter: (place: number) => decimal(chanceAtPlace(place), 2) },
      axisTick: { customValues: places },
      axisLine: { lineStyle: { color: ink.hairline } },
      splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
    },
    yAxis: {
      type: 'log',
      // At the left, not where a chance of a half stands.
      axisLine: { onZero: false, lineStyle: { color: ink.hairline } },
      name: t('gaps:GapMap.addsCurrencyAMonth', { currency }),
      nameTextStyle: { align: 'left' },
      axisLabel: { formatter: (value: number) => worth(value) },
      splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
    },
    series: shown.map((kind) => ({
      type: 'scatter',
      name: kind,
      symbol: SHAPES[kind],
      itemStyle: paintOf(kind, ink),
      data: rows
        .filter((row) => row.kind === kind)
        .map((row) => ({ value: [placeOfChance(row.chance!), row.worthAMonth], symbolSize: size(row), row })),
    })),
  };
}
