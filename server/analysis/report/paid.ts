import { PAID_STATES } from '@opsimath/core/gap/paid';
import type { GapRow } from '@opsimath/contract/api/gaps';
import type { ReportTable } from '@opsimath/contract/api/reportContent';
import { say } from '@opsimath/core/report/passages';
import { type ReportGround, type WriteSection, gapsInOrder, mayBeDone } from './ground';
import { KEYWORD, SEARCHES, keywordTable } from './keywordTable';
import { sidesOf } from './standing';

const FEW = 10;

/** Paid against organic: counts of every side, what rivals buy and we do not, what we pay for twice. */
export const paid: WriteSection = async (ground, { id, settings }) => {
  const { comparison, figures } = ground;
  const most = settings.most ?? FEW;
  const unbid = PAID_STATES.indexOf('unbid');
  const bought = await gapsInOrder(
    ground,
    {},
    most,
    (i, held) => held.gaps.paid[i] === unbid && mayBeDone(held, i),
  );
  const twice = await gapsInOrder(ground, {}, most, (i, held) => held.gaps.doubling[i] === 1);
  const sides = await sidesOf(ground);
  const table = `paid-${id}`;
  const [own] = sides;
  const short = [];
  if (own && comparison.sides.own.length > 0)
    short.push(
      say`${own.name} pays for ${figures.of(`${id}.paid`, 'count', own.paid, `${table}:own`, `keywords that ${own.name} pays for`)} keywords and ranks for ${figures.of(`${id}.organic`, 'count', own.organic, `${table}:own`, `keywords that ${own.name} ranks for`)}.`,
    );
  if (bought.total > 0)
    short.push(
      say`Rivals buy ${figures.of(`${id}.unbid`, 'count', bought.total, `unbid-${id}:all`, 'keywords that rivals alone buy')} keywords on which we do not advertise.`,
    );
  if (twice.total > 0)
    short.push(
      say`We pay for ${figures.of(`${id}.twice`, 'count', twice.total, `doubling-${id}:all`, 'keywords paid for that we hold anyway')} keywords where we stand near the top without paying.`,
    );
  return {
    short,
    blocks: [
      {
        kind: 'table',
        id: table,
        title: 'Paid and organic keywords of every side',
        columns: [
          { key: 'side', name: 'Side', kind: 'text' },
          { key: 'organic', name: 'Organic keywords', kind: 'count' },
          { key: 'paid', name: 'Paid keywords', kind: 'count' },
          { key: 'ratio', name: 'Organic for each paid', kind: 'decimal' },
        ],
        rows: sides.map((side) => ({
          key: side.key,
          cells: [side.name, side.organic, side.paid, side.paid === 0 ? null : side.organic / side.paid],
        })),
        caption: 'Over the keywords compared; counted, not estimated.',
        empty: 'Nobody is compared yet.',
      },
      listOf(ground, `unbid-${id}`, 'Rivals pay, we do not', bought),
      listOf(ground, `doubling-${id}`, 'We pay while standing near the top', twice),
    ],
  };
};

function listOf(
  { comparison }: ReportGround,
  id: string,
  title: string,
  found: Awaited<ReturnType<typeof gapsInOrder>>,
): ReportTable {
  const { rivals } = comparison.sides;
  const payers = (row: GapRow): string =>
    rivals
      .filter((_, r) => typeof row.rivalsPaid[r] === 'number')
      .map(({ name }) => name)
      .join(', ');
  return keywordTable({
    ...{ id, title, found },
    columns: [
      KEYWORD,
      SEARCHES,
      { key: 'own', name: 'Our position', kind: 'position', cell: ({ own }) => own },
      { key: 'slot', name: 'Our paid slot', kind: 'position', cell: ({ ownPaid }) => ownPaid },
      { key: 'payers', name: 'Who pays', kind: 'text', cell: payers },
      {
        ...{ key: 'cpc', name: 'CPC, middle', kind: 'decimal', digits: 2 },
        cell: ({ cpcLow, cpcHigh }) => (cpcLow === null || cpcHigh === null ? null : (cpcLow + cpcHigh) / 2),
      },
    ],
    empty: 'None.',
  });
}
