import { say } from '@opsimath/core/report/passages';
import { type WriteSection, gapsInOrder } from './ground';
import { KEYWORD, SEARCHES, keywordTable } from './keywordTable';

const USUAL = 20;

/** Blocks of result pages that others hold, with their position without it, and ours. */
export const blocks: WriteSection = async (ground, { id, settings }) => {
  const { figures } = ground;
  const { rows, total } = await gapsInOrder(
    ground,
    { sort: [{ sort: 'demand', descending: true }] },
    settings.most ?? USUAL,
    (i, { openBlocks, blockHolder }) => openBlocks[i] !== 0 && blockHolder[i] !== 0,
  );
  const table = `blocks-${id}`;
  return {
    short:
      total === 0
        ? []
        : [
            say`On ${figures.of(`${id}.blocks`, 'count', total, `${table}:all`, 'result pages with a block that somebody else holds')} result pages somebody else holds a block above the results.`,
          ],
    blocks: [
      keywordTable({
        ...{ id: table, title: 'Blocks that others hold', found: { rows, total } },
        columns: [
          KEYWORD,
          { key: 'block', name: 'Block', kind: 'text', cell: ({ block }) => block?.kind ?? '' },
          { key: 'holder', name: 'Held by', kind: 'text', cell: ({ block }) => block?.holder ?? 'unknown' },
          {
            ...{ key: 'theirs', name: 'Their position', kind: 'position' },
            cell: ({ block }) => block?.position ?? null,
            last: null,
          },
          { key: 'ours', name: 'Our position', kind: 'position', cell: ({ own }) => own },
          SEARCHES,
        ],
        empty: 'No captured result page has a block that somebody else holds.',
      }),
    ],
  };
};
