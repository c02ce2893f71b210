import { say } from '@opsimath/core/report/passages';
import { type WriteSection, gapsInOrder, mayBeDone } from './ground';
import { KEYWORD, SEARCHES, WHERE_ALL_STAND, keywordTable } from './keywordTable';

const USUAL = 25;
const [FROM, TO] = [11, 50];

/** Keywords just below the front, with what reaching it would be worth. */
export const near: WriteSection = async (ground, { id, settings }) => {
  const { figures, sums, comparison } = ground;
  const { currency } = comparison.project.settings;
  const { rows, total } = await gapsInOrder(
    ground,
    { sort: [{ sort: 'a month', descending: true }] },
    settings.most ?? USUAL,
    (i, held) =>
      held.columns.ownOrganic[i]! >= FROM && held.columns.ownOrganic[i]! <= TO && mayBeDone(held, i),
  );
  const table = `near-${id}`;
  const value = rows.reduce((sum, row) => sum + Math.max(0, row.worthAMonth ?? 0), 0);
  return {
    short: [
      say`${figures.of(`${id}.near`, 'count', total, `${table}:all`, 'keywords at 11 to 50')} keywords stand just below the first page; the best action for each of the ${figures.of(`${id}.shown`, 'count', rows.length, `${table}:all`, 'of them listed')} best would add about ${figures.of(`${id}.value`, 'money', value, `${table}:all`, 'what they add a month')} ${currency} a month (estimated, each by itself).`,
    ],
    blocks: [
      keywordTable({
        ...{ id: table, title: 'Positions 11 to 50', found: { rows, total } },
        columns: [
          KEYWORD,
          WHERE_ALL_STAND,
          { key: 'position', name: 'Position', kind: 'position', cell: ({ own }) => own },
          SEARCHES,
          { key: 'clicks', name: 'Clicks added', kind: 'decimal', cell: ({ gain }) => gain },
          {
            ...{ key: 'adds', name: `Adds a month, ${currency}`, kind: 'money', tip: 'Estimated.' },
            cell: ({ worthAMonth }) => worthAMonth,
            last: value,
          },
        ],
        below: ({ action }) => [action],
        sums: (row) => sums.ofGap(row),
        evenOfNone: true,
        empty: 'Nothing stands at 11 to 50.',
      }),
    ],
  };
};
