import type { ReportTable } from '@opsimath/contract/api/reportContent';
import { say } from '@opsimath/core/report/passages';
import { type WriteSection, gapsInOrder, nothingToSay } from './ground';
import { KEYWORD, SEARCHES, keywordTable } from './keywordTable';

const FEW = 10;

/** What moved between the two dates, up and down. */
export const movers: WriteSection = async (ground, { id, settings }) => {
  const { comparison, figures } = ground;
  if (comparison.compareDate === null)
    return nothingToSay('Choose a day to compare with: then it is told here what moved.');
  const most = settings.most ?? FEW;
  const up = await gapsInOrder(
    ground,
    { sort: [{ sort: 'move', descending: true }] },
    most,
    (i, held) => held.gaps.moved[i]! > 0,
  );
  const down = await gapsInOrder(
    ground,
    { sort: [{ sort: 'move', descending: false }] },
    most,
    (i, held) => held.gaps.moved[i]! < 0,
  );
  return {
    short: [
      say`Since ${figures.of(`${id}.since`, 'day', comparison.compareDate, `up-${id}:all`, 'day compared with')} we rose on ${figures.of(`${id}.up`, 'count', up.total, `up-${id}:all`, 'keywords that rose')} keywords and fell on ${figures.of(`${id}.down`, 'count', down.total, `down-${id}:all`, 'keywords that fell')}.`,
    ],
    blocks: [moved(`up-${id}`, 'Up', up), moved(`down-${id}`, 'Down', down)],
  };
};

function moved(id: string, title: string, found: Awaited<ReturnType<typeof gapsInOrder>>): ReportTable {
  return keywordTable({
    ...{ id, title, found },
    columns: [
      KEYWORD,
      { key: 'before', name: 'Before', kind: 'position', cell: ({ ownBefore }) => ownBefore },
      { key: 'now', name: 'Now', kind: 'position', cell: ({ own }) => own },
      { key: 'moved', name: 'Places', kind: 'count', cell: ({ moved: places }) => places },
      SEARCHES,
    ],
    evenOfNone: true,
    empty: 'None.',
  });
}
