import { gapFilter } from '@opsimath/contract/api/gapQuery';
import { GAP_KINDS } from '@opsimath/core/gap/kind';
import { say } from '@opsimath/core/report/passages';
import { type ReportGround, type WriteSection, countsOf } from './ground';

const MEANING: Record<(typeof GAP_KINDS)[number], string> = {
  absent: 'a rival is on the front, we are not there at all',
  buried: 'a rival is on the front, we stand below it',
  trailing: 'both on the front, a rival before us',
  open: 'nobody compared is on the front',
  leading: 'we stand before every rival',
  alone: 'we are on the front, no rival ranks',
  unknown: 'nobody has looked yet',
};
const ORDER = ['absent', 'buried', 'trailing', 'open', 'leading', 'alone', 'unknown'] as const;

/** Keywords by gap kind. */
export const kinds: WriteSection = async (ground: ReportGround, { id }) => {
  const { figures, comparison } = ground;
  const counts = await countsOf(ground, gapFilter.parse({}));
  const many = (kind: (typeof GAP_KINDS)[number]): number => counts.kinds[GAP_KINDS.indexOf(kind)]!;
  const table = `kinds-${id}`;
  const told = (kind: (typeof GAP_KINDS)[number]) =>
    figures.of(`${id}.${kind}`, 'count', many(kind), `${table}:${kind}`, `keywords, ${kind}`);
  const all = comparison.keywords.length;
  const missing = many('absent') + many('buried') + many('trailing');
  const short =
    all === 0
      ? [say`This scope holds no keywords yet: run a look-up first.`]
      : [
          say`Of ${figures.of(`${id}.all`, 'count', all, `${table}:all`, 'keywords compared')} keywords compared, a rival stands before us on the front for ${figures.of(`${id}.missing`, 'count', missing, `${table}:missing`, 'keywords with a gap')}: we are absent from ${told('absent')}, buried below it for ${told('buried')}, and trailing a rival on it for ${told('trailing')}.`,
          ...(many('unknown') > 0
            ? [
                say`${told('unknown')} keywords are unknown: no result page has been captured that would tell.`,
              ]
            : []),
        ];
  return {
    short,
    blocks: [
      {
        kind: 'table',
        id: table,
        title: 'Gaps by kind',
        columns: [
          { key: 'kind', name: 'Kind', kind: 'text' },
          { key: 'meaning', name: 'Meaning', kind: 'text' },
          { key: 'keywords', name: 'Keywords', kind: 'count' },
          { key: 'share', name: 'Share', kind: 'share' },
        ],
        rows: [
          ...ORDER.map((kind) => ({
            key: kind as string,
            cells: [kind, MEANING[kind], many(kind), all === 0 ? null : many(kind) / all],
          })),
          {
            key: 'missing',
            cells: [
              'a rival before us',
              'absent, buried and trailing together',
              missing,
              all === 0 ? null : missing / all,
            ],
          },
          { key: 'all', cells: ['all', 'keywords compared', all, all === 0 ? null : 1] },
        ],
        empty: 'No keywords are compared yet.',
      },
    ],
  };
};
