import type { ReportCell } from '@opsimath/contract/api/reportContent';
import type { Target } from '@opsimath/contract/api/targets';
import { say } from '@opsimath/core/report/passages';
import { placeRecords } from '../../data/placeRecords';
import { targetProfile } from '../questions/targetProfile';
import { type ReportGround, type WriteSection, nothingToSay } from './ground';
import { keywordsOfSubject, subjectOf } from './subject';

const MOST = 20;
/** Less than this share of the room of a title used is room left. */
const ROOMY = 0.7;

/** Weak titles, room left unused, and fields that are empty. */
export const titles: WriteSection = async (ground, { id }) => {
  const { workspace, projectId, scope, figures } = ground;
  const target = await subjectOf(ground);
  if (!target) return nothingToSay('No own target stands on this surface.');
  const { market, date } = scope;
  const profile = await targetProfile(workspace, projectId, target.id, { market, date });
  const room = await roomOf(ground, target);
  const empty = target.filled?.empty ?? [];
  const [weakTable, roomTable] = [`titles-${id}`, `room-${id}`];
  return {
    short: [
      say`Of ${figures.of(`${id}.looked`, 'count', profile.titlesLooked, `${weakTable}:all`, 'titles looked at')} titles ${figures.of(`${id}.weak`, 'count', profile.weakTitles.length, `${weakTable}:all`, 'weak titles')} are weak, and ${figures.of(`${id}.roomy`, 'count', room.roomy, `${roomTable}:all`, 'titles with room left')} leave room unused.`,
      ...(empty.length === 0 ? [] : [say`Left empty: ${empty.join(', ')}.`]),
    ],
    blocks: [
      {
        kind: 'table',
        id: weakTable,
        title: 'Weak titles',
        columns: [
          { key: 'title', name: 'Title', kind: 'text' },
          { key: 'faults', name: 'What is wrong', kind: 'text' },
          { key: 'best', name: 'Its best keyword', kind: 'text' },
          { key: 'address', name: 'Address', kind: 'address' },
        ],
        rows: [
          ...profile.weakTitles.slice(0, MOST).map(({ address, title, faults, bestKeyword }, n) => ({
            key: `t${n}`,
            cells: [title, faults.join(', '), bestKeyword, address],
          })),
          {
            key: 'all',
            cells: [`${profile.weakTitles.length} of ${profile.titlesLooked} titles looked at`, '', '', ''],
          },
        ],
        empty: 'No title has been captured yet.',
      },
      room.table(roomTable),
      {
        kind: 'table',
        id: `empty-${id}`,
        title: 'Fields of its public record',
        columns: [
          { key: 'field', name: 'Field', kind: 'text' },
          { key: 'state', name: 'State', kind: 'text' },
        ],
        rows: empty.map((field, n) => ({ key: `f${n}`, cells: [field, 'empty'] })),
        empty: 'Every field that its surface has is filled.',
      },
    ],
  };
};

/** How much of the room for a title, and for a description, the targets that rank leave unused. */
async function roomOf(ground: ReportGround, target: Target) {
  const { workspace, scope, comparison } = ground;
  const { rows } = await keywordsOfSubject(ground, target);
  const addresses = [...new Set(rows.flatMap(({ address }) => (address === null ? [] : [address])))];
  const known = new Map(comparison.sides.ownPlaces.map((place) => [place.address, place]));
  const records = await placeRecords(workspace.database, addresses, scope.date);
  const limit = comparison.project.settings.titleLimits[comparison.market.surface];
  const all = addresses.flatMap((address) => {
    const title = records.get(address)?.record.title ?? known.get(address)?.title ?? '';
    if (title === '') return [];
    const described = records.get(address)?.record.description;
    return [{ address, title, used: [...title].length, described }];
  });
  const roomy = all.filter(({ used }) => used < ROOMY * limit).sort((a, b) => a.used - b.used);
  return {
    roomy: roomy.length,
    table: (id: string) => ({
      kind: 'table' as const,
      id,
      title: 'Room left unused',
      columns: [
        { key: 'title', name: 'Title', kind: 'text' as const },
        { key: 'used', name: 'Characters', kind: 'count' as const },
        { key: 'left', name: `Left of ${limit}`, kind: 'count' as const },
        { key: 'description', name: 'Description', kind: 'text' as const },
      ],
      rows: [
        ...roomy.slice(0, MOST).map(({ title, used, described, address }) => ({
          key: address,
          cells: [
            title,
            used,
            limit - used,
            described === undefined
              ? 'not looked at'
              : described.trim() === ''
                ? 'empty'
                : `${[...described].length} characters`,
          ] as ReportCell[],
          below: [address],
        })),
        {
          key: 'all',
          cells: [`${roomy.length} of ${all.length} titles known`, null, null, ''] as ReportCell[],
        },
      ],
      empty: 'No title is known yet.',
    }),
  };
}
