import type { ReportRow, ReportTable } from '@opsimath/contract/api/reportContent';
import { dayOf } from '@opsimath/core/day';
import { lastTwoMonths, type MonthSpan } from '@opsimath/core/report/months';
import { say } from '@opsimath/core/report/passages';
import { keywordsById } from '../../data/keywords';
import { type OwnFigure, ownFigures, sumOf } from '../facts/ownFigures';
import { type WriteSection, nothingToSay } from './ground';

const FEW = 10;

/** Own search performance of the newest whole month against the month before, each with how many of its days are held. */
export const months: WriteSection = async (ground, { id, settings }) => {
  const { workspace, projectId, comparison, revisions, figures } = ground;
  const { rows } = await ownFigures(workspace, revisions, projectId, comparison.market.id, comparison.date);
  if (rows.length === 0)
    return nothingToSay(
      'No own search performance is held: import it in Roster, then two months are compared here.',
    );
  const spans = lastTwoMonths(comparison.date);
  const [now, before] = [heldIn(rows, spans.now), heldIn(rows, spans.before)];
  const both = new Set([...now.dates].filter((day) => before.dates.has(day)));
  const shared = [heldIn(rows, spans.now, both), heldIn(rows, spans.before, both)] as const;
  const isWhole = both.size === now.dates.size && both.size === before.dates.size;
  const table = `months-${id}`;
  const told = (key: string, value: number, row: string, from: string) =>
    figures.of(`${id}.${key}`, 'count', value, `${table}:${row}`, from);
  const [row, rowBefore] = isWhole ? ['now', 'before'] : ['nowShared', 'beforeShared'];
  return {
    short: [
      isWhole
        ? say`From ${figures.of(`${id}.from`, 'day', spans.now.from, `${table}:now`, 'first day of the month')} to ${figures.of(`${id}.to`, 'day', spans.now.to, `${table}:now`, 'last day of the month')} search brought ${told('clicks', now.clicks, row!, 'clicks of the month')} clicks, after ${told('before', before.clicks, rowBefore!, 'clicks of the month before')} in the month before.`
        : say`Not every day of the two months is held: on the ${told('days', both.size, row!, 'days held of both months')} days that are held of both, search brought ${told('clicks', shared[0].clicks, row!, 'clicks on these days')} clicks, after ${told('before', shared[1].clicks, rowBefore!, 'clicks on the same days of the month before')} in the month before.`,
    ],
    blocks: [
      {
        kind: 'table',
        id: table,
        title: 'Own search performance',
        columns: [
          { key: 'month', name: 'Days', kind: 'text' },
          { key: 'days', name: 'Days held', kind: 'text' },
          { key: 'clicks', name: 'Clicks', kind: 'count', tip: 'Own data, exact.' },
          { key: 'impressions', name: 'Impressions', kind: 'count', tip: 'Own data, exact.' },
          { key: 'ctr', name: 'CTR', kind: 'share', tip: 'Clicks ÷ impressions.' },
          { key: 'position', name: 'Average position', kind: 'decimal', tip: 'Weighted by impressions.' },
        ],
        rows: [
          monthRow('now', spans.now, now),
          monthRow('before', spans.before, before),
          ...(isWhole
            ? []
            : [
                monthRow('nowShared', spans.now, shared[0], 'held of both'),
                monthRow('beforeShared', spans.before, shared[1], 'held of both'),
              ]),
        ],
        caption: 'Own data, exact. Months are compared on the days of which both are held.',
        empty: 'None.',
      },
      await movedQueries(ground, `queries-${id}`, rows, spans, both, settings.most ?? FEW),
    ],
  };
};

type Held = ReturnType<typeof heldIn>;

/** What is held of a month. @param only days of the month, counted from 0, that count */
function heldIn(rows: readonly OwnFigure[], { from, to }: MonthSpan, only?: ReadonlySet<number>) {
  const [first, last] = [dayOf(from), dayOf(to)];
  const held = rows.filter(
    ({ day }) => day >= first && day <= last && (only === undefined || only.has(day - first)),
  );
  return { ...sumOf(held), dates: new Set(held.map(({ day }) => day - first)), of: last - first + 1 };
}

const monthRow = (key: string, { from, to }: MonthSpan, held: Held, which = ''): ReportRow => ({
  key,
  cells: [
    `${from} to ${to}${which === '' ? '' : `, days ${which}`}`,
    `${held.dates.size} of ${held.of}`,
    held.clicks,
    held.impressions,
    held.impressions === 0 ? null : held.clicks / held.impressions,
    held.position,
  ],
});

/** Queries whose clicks changed most, on the days of which both months are held. */
async function movedQueries(
  { workspace }: { workspace: { database: Parameters<typeof keywordsById>[0] } },
  id: string,
  rows: readonly OwnFigure[],
  spans: { now: MonthSpan; before: MonthSpan },
  both: ReadonlySet<number>,
  most: number,
): Promise<ReportTable> {
  const clicks = new Map<number, [now: number, before: number]>();
  (['now', 'before'] as const).forEach((name, n) => {
    const [first, last] = [dayOf(spans[name].from), dayOf(spans[name].to)];
    for (const row of rows) {
      if (row.day < first || row.day > last || !both.has(row.day - first)) continue;
      const known = clicks.get(row.keyword) ?? [0, 0];
      known[n as 0 | 1] += row.clicks;
      clicks.set(row.keyword, known);
    }
  });
  const shown = [...clicks]
    .sort(([a, [x, y]], [b, [v, w]]) => Math.abs(v - w) - Math.abs(x - y) || a - b)
    .slice(0, most);
  const texts = await keywordsById(
    workspace.database,
    shown.map(([keyword]) => keyword),
  );
  return {
    kind: 'table',
    id,
    title: 'Queries whose clicks changed most',
    columns: [
      { key: 'keyword', name: 'Query', kind: 'text' },
      { key: 'before', name: 'Clicks before', kind: 'count' },
      { key: 'now', name: 'Clicks now', kind: 'count' },
      { key: 'change', name: 'Change', kind: 'count' },
    ],
    rows: shown.map(([keyword, [now, before]]) => ({
      key: `q${keyword}`,
      cells: [texts.get(keyword)?.text ?? '', before, now, now - before],
    })),
    caption: 'Own data, exact.',
    empty: 'None.',
  };
}
