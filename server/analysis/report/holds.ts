import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { say } from '@opsimath/core/report/passages';
import { type WriteSection, gapsInOrder, nothingToSay } from './ground';
import { sidesOf } from './standing';
import { keywordsOfSubject, subjectOf } from './subject';

const FEW = 15;

/** What a target ranks for: how many keywords at which depth, what they bring, and the best of them. */
export const holds: WriteSection = async (ground, { id, settings }) => {
  const { figures } = ground;
  const target = await subjectOf(ground);
  if (!target) return nothingToSay('No own target stands on this surface.');
  const held = await keywordsOfSubject(ground, target);
  const [own] = await sidesOf(ground);
  const best = await gapsInOrder(
    ground,
    { sort: [{ sort: 'our clicks', descending: true }] },
    settings.most ?? FEW,
    (i, { columns }) => columns.ownOrganic[i]! > 0 && columns.ownOrganic[i]! <= 100,
  );
  const table = `depth-${id}`;
  const count = (key: string, value: number, row: string, from: string) =>
    figures.of(`${id}.${key}`, 'count', value, `${table}:${row}`, from);
  return {
    short: [
      say`${target.name} ranks for ${count('organic', held.total, 'all', 'keywords it ranks or pays for')} keywords, ${count('front', held.inFront, 'front', 'keywords on the front')} of them on the first page; they bring about ${count('clicks', Math.round(own?.clicks ?? 0), 'clicks', 'clicks a month, estimated')} clicks a month (estimated).`,
    ],
    blocks: [
      {
        kind: 'table',
        id: table,
        title: 'Keywords by depth',
        columns: [
          { key: 'depth', name: 'Position', kind: 'text' },
          { key: 'keywords', name: 'Keywords', kind: 'count' },
        ],
        rows: [
          ...DEPTH_BANDS.slice(0, 5).map((band, n) => ({ key: `b${n}`, cells: [band, held.depth[n]!] })),
          { key: 'front', cells: ['on the front', held.inFront] },
          { key: 'all', cells: ['all that it ranks or pays for', held.total] },
          { key: 'clicks', cells: ['clicks a month, estimated', Math.round(own?.clicks ?? 0)] },
        ],
        empty: 'None.',
      },
      {
        kind: 'table',
        id: `best-${id}`,
        title: 'What brings the most clicks',
        columns: [
          { key: 'keyword', name: 'Keyword', kind: 'text' },
          { key: 'position', name: 'Position', kind: 'position' },
          { key: 'demand', name: 'Searches', kind: 'count' },
          { key: 'clicks', name: 'Clicks a month', kind: 'decimal', tip: 'Estimated.' },
          { key: 'address', name: 'Held by', kind: 'address' },
        ],
        rows: best.rows.map((row) => ({
          key: `g${row.id}`,
          cells: [row.text, row.own, row.demand, row.ownClicks, row.ownAddress],
        })),
        empty: 'Nothing that it ranks for brings clicks.',
      },
    ],
  };
};
