import { OPEN_KINDS } from '@opsimath/core/report/openKinds';
import { say } from '@opsimath/core/report/passages';
import { type WriteSection, gapsInOrder, mayBeDone } from './ground';
import { KEYWORD, SEARCHES, WHERE_ALL_STAND, keywordTable } from './keywordTable';

const USUAL = 30;
/** A list longer than this names the action of each and leaves the reasons out: nobody reads them all. */
const MOST_REASONED = 60;

/** The gaps themselves, one row a keyword, in the order of their priority. */
export const gaps: WriteSection = async (ground, section) => {
  const { id, settings } = section;
  const { comparison, figures, sums } = ground;
  const { currency } = comparison.project.settings;
  const { rows, total } = await gapsInOrder(
    ground,
    {
      kinds: settings.kinds ?? [...OPEN_KINDS],
      ...(settings.keywords && settings.keywords.length > 0 ? { chosen: settings.keywords } : {}),
    },
    settings.most ?? USUAL,
    (i, held) => mayBeDone(held, i),
  );
  const table = `gaps-${id}`;
  return {
    short: [
      say`${figures.of(`${id}.shown`, 'count', rows.length, `${table}:all`, 'gaps listed')} of ${figures.of(`${id}.total`, 'count', total, `${table}:all`, 'gaps that may be worked on')} gaps are listed, the most for a day of work first.`,
    ],
    blocks: [
      keywordTable({
        ...{ id: table, title: section.heading === '' ? 'Gaps' : section.heading, found: { rows, total } },
        columns: [
          KEYWORD,
          { key: 'kind', name: 'Kind', kind: 'text', cell: ({ kind }) => kind },
          WHERE_ALL_STAND,
          { ...SEARCHES, tip: 'A month, over the coming three. Estimated.' },
          {
            ...{ key: 'chance', name: 'Chance', kind: 'share', digits: 0 },
            tip: 'Of standing on the front after the action. Estimated.',
            cell: ({ chance }) => chance,
          },
          {
            ...{ key: 'adds', name: `Adds a month, ${currency}`, kind: 'money', tip: 'Estimated.' },
            cell: ({ worthAMonth }) => worthAMonth,
          },
          { key: 'priority', name: 'For a day', kind: 'money', cell: ({ priority }) => priority },
        ],
        unit: ' gaps',
        below: ({ action, reason }) => [rows.length > MOST_REASONED ? action : `${action}. ${reason}`],
        sums: (row) => sums.ofGap(row),
        evenOfNone: true,
        empty: 'No gap of this kind is known.',
      }),
    ],
  };
};
