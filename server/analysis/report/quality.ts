import type { ReportTable } from '@opsimath/contract/api/reportContent';
import { say } from '@opsimath/core/report/passages';
import { findSegments } from '../../data/segments/segments';
import type { ReportGround, WriteSection } from './ground';

/** What the figures rest on, from when it is, and where it is weak. */
export const quality: WriteSection = async (ground, { id }) => {
  const { comparison, figures } = ground;
  const { models, rows, now, project, keywords, presumed } = comparison;
  const captured = rows.reduce((sum, row) => sum + Number(now.capture[row] !== 0), 0);
  const assumed = rows.reduce((sum, row) => sum + Number((presumed[row]! & 1) !== 0), 0);
  const table = `sources-${id}`;
  const fitted = models.forecast.fitted;
  const told = (key: string, value: number, from: string) =>
    figures.of(`${id}.${key}`, 'count', value, `held-${id}:${key}`, from);
  return {
    short: [],
    blocks: [
      {
        kind: 'text',
        written: true,
        passages: [
          say`${told('captured', captured, 'keywords with a captured result page')} of ${told('keywords', keywords.length, 'keywords compared')} keywords have a captured result page by then; only these show for certain who is absent. For ${told('presumed', assumed, 'keywords presumed absent')} more we are presumed absent, because a complete look-up does not name them.`,
          say`Positions count organic slots only. Our own data and counts are exact. Searches a month are what the services say. Clicks, chance and worth are estimated: ${models.curveFitted ? 'click-through is fitted from own search performance' : 'click-through is a stated prior'}, ${fitted === null ? 'the forecast goes by stated weights' : 'the forecast is fitted on captures of this market'}, and a click is worth what own conversions say, else CPC × 0.7, else what the project says.`,
          say`An unknown figure is shown as a dash and counts in no sum.`,
        ],
      },
      {
        kind: 'table',
        id: `held-${id}`,
        title: 'How much is known',
        columns: [
          { key: 'what', name: 'What', kind: 'text' },
          { key: 'keywords', name: 'Keywords', kind: 'count' },
        ],
        rows: [
          { key: 'keywords', cells: ['compared', keywords.length] },
          { key: 'captured', cells: ['with a captured result page', captured] },
          { key: 'presumed', cells: ['where we are presumed absent', assumed] },
          {
            key: 'pairs',
            cells: ['pairs of captures that the forecast is fitted on', fitted?.captures ?? 0],
          },
          { key: 'front', cells: ['positions that count as the front', project.settings.front] },
        ],
        empty: 'Nothing.',
      },
      await sources(ground, table),
    ],
  };
};

const KINDS: Record<string, string> = {
  rankings: 'look-ups of rankings',
  metrics: 'searches, CPC and competition',
  captures: 'captured result pages',
  performance: 'own search performance, exact',
  'ad terms': 'own ad search terms, exact',
  finds: 'keywords found',
};

/** Every source by kind, with the days that it is of, as they truly are. */
async function sources(
  { workspace, projectId, comparison: { market, date } }: ReportGround,
  id: string,
): Promise<ReportTable> {
  const groups = new Map<string, { source: string; kind: string; days: Set<string>; rows: number }>();
  for (const segment of await findSegments(workspace.database, { marketId: market.id, until: date })) {
    if (segment.projectId !== null && segment.projectId !== projectId) continue;
    const name = `${segment.source}|${segment.kind}`;
    const group = groups.get(name) ?? {
      source: segment.source,
      kind: segment.kind,
      days: new Set(),
      rows: 0,
    };
    group.days.add(segment.date);
    group.rows += segment.rows;
    groups.set(name, group);
  }
  return {
    kind: 'table',
    id,
    title: 'Sources',
    columns: [
      { key: 'source', name: 'Source', kind: 'text' },
      { key: 'kind', name: 'Of what', kind: 'text' },
      { key: 'from', name: 'First day', kind: 'day' },
      { key: 'to', name: 'Last day', kind: 'day' },
      { key: 'days', name: 'Days', kind: 'count' },
      { key: 'rows', name: 'Rows', kind: 'count' },
    ],
    rows: [...groups.values()].map(({ source, kind, days, rows }, n) => {
      const sorted = [...days].sort();
      return {
        key: `s${n}`,
        cells: [source, KINDS[kind] ?? kind, sorted[0]!, sorted.at(-1)!, sorted.length, rows],
      };
    }),
    empty: 'Nothing has been looked up yet.',
  };
}
