import { DEPTH_BANDS, depthBand, isRanked } from '@opsimath/core/ranking/position';
import { clicksOfSide, countsByDepth, visibility } from '@opsimath/core/ranking/visibility';
import { say } from '@opsimath/core/report/passages';
import { type Comparison, byStanding } from '../comparison/comparison';
import type { SideStanding } from '../facts/standings';
import type { ReportGround, WriteSection } from './ground';

interface SideFigures {
  key: string;
  name: string;
  visibility: number | null;
  before: number | null;
  depth: number[];
  organic: number;
  paid: number;
  clicks: number;
}

/** Every side over the keywords compared, ours first. */
export const sidesOf = ({ comparison, once }: ReportGround): Promise<SideFigures[]> =>
  once('sides', () => sideFigures(comparison));

function sideFigures(comparison: Comparison): SideFigures[] {
  const { now, before, rows, curve, sides } = comparison;
  const expected = byStanding(comparison, comparison.columns.expectedVolume);
  const volumes = byStanding(comparison, comparison.volume);
  const factors = byStanding(comparison, comparison.columns.featureFactor);
  const side = (
    key: string,
    name: string,
    standing: SideStanding,
    earlier: SideStanding | undefined,
  ): SideFigures => {
    const count = (column: Uint8Array): number =>
      rows.reduce((sum, row) => sum + Number(isRanked(column[row]!)), 0);
    return {
      key,
      name,
      visibility: visibility(standing.organic, expected, curve, rows),
      before: earlier ? visibility(earlier.organic, expected, curve, rows) : null,
      depth: countsByDepth(standing.organic, rows, depthBand),
      organic: count(standing.organic),
      paid: count(standing.paid),
      clicks: clicksOfSide(standing.organic, volumes, factors, curve, rows),
    };
  };
  return [
    ...(sides.own.length === 0 ? [] : [side('own', sides.ownName, now.own, before?.own)]),
    ...sides.rivals.map((rival, r) => side(`r${rival.id}`, rival.name, now.rivals[r]!, before?.rivals[r])),
  ];
}

/** How everybody stands: visibility, depth, paid keywords, clicks. */
export const standing: WriteSection = async (ground, { id }) => {
  const { comparison, figures } = ground;
  const all = await sidesOf(ground);
  const [own] = all;
  const best = all
    .slice(1)
    .filter((side) => side.visibility !== null)
    .sort((a, b) => b.visibility! - a.visibility!)[0];
  const table = `sides-${id}`;
  const short = [];
  if (own && own.visibility !== null) {
    const ours = figures.of(
      `${id}.own`,
      'share',
      own.visibility,
      `${table}:own`,
      `visibility of ${own.name}`,
    );
    short.push(
      own.before === null
        ? say`${own.name}’s visibility is ${ours}.`
        : say`${own.name}’s visibility is ${ours}, after ${figures.of(`${id}.before`, 'share', own.before, `${table}:own`, `visibility of ${own.name} before`)} on ${figures.of(`${id}.compare`, 'day', comparison.compareDate, `${table}:own`, 'day compared with')}.`,
    );
  }
  if (best)
    short.push(
      say`The strongest rival, ${best.name}, has ${figures.of(`${id}.best`, 'share', best.visibility, `${table}:${best.key}`, `visibility of ${best.name}`)}.`,
    );
  return {
    short,
    blocks: [
      {
        kind: 'table',
        id: table,
        title: 'How everybody stands',
        columns: [
          { key: 'side', name: 'Side', kind: 'text' },
          {
            key: 'visibility',
            name: 'Visibility',
            kind: 'share',
            tip: 'Share of the clicks that standing first everywhere would bring. Estimated.',
          },
          ...(comparison.before ? [{ key: 'before', name: 'Before', kind: 'share' as const }] : []),
          ...DEPTH_BANDS.map((band) => ({ key: band, name: band, kind: 'count' as const })),
          { key: 'paid', name: 'Paid keywords', kind: 'count' },
          { key: 'clicks', name: 'Clicks a month', kind: 'count', tip: 'Estimated from positions.' },
        ],
        rows: all.map((side) => ({
          key: side.key,
          cells: [
            side.name,
            side.visibility,
            ...(comparison.before ? [side.before] : []),
            ...side.depth,
            side.paid,
            Math.round(side.clicks),
          ],
        })),
        caption: 'Keywords by depth of the organic position; visibility and clicks are estimated.',
        empty: 'Nobody is compared yet.',
      },
    ],
  };
};
