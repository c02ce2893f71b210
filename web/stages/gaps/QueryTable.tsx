import { type OwnQueryPage, type OwnQueryRow, type QuerySort } from '@opsimath/contract/api/ownQueries';
import { Ledger } from '../../parts/table/Ledger';
import { Tick } from '../../parts/table/Tick';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { PositionWord } from '../../parts/words/PositionWord';
import { RateWord } from '../../parts/words/RateWord';
import { count, decimal } from '../../parts/words/figures';
import { useTraySelection } from '../../state/useTraySelection';
import { t } from '../../words/t';

const HEADS = [
  {
    sort: 'clicks',
    head: t('gaps:QueryTable.clicks'),
    tip: t('gaps:QueryTable.exactFromOwnSearchPerformance'),
  },
  { sort: 'change', head: t('gaps:QueryTable.change'), tip: t('gaps:QueryTable.clicksMoreOrFewerThanIn') },
  {
    sort: 'impressions',
    head: t('gaps:QueryTable.impressions'),
    tip: t('gaps:QueryTable.howOftenOneOfOurAddresses'),
  },
  { sort: 'ctr', head: t('gaps:QueryTable.cTR'), tip: t('gaps:QueryTable.clicksImpressionsThinFewCasesThe') },
  {
    sort: 'position',
    head: t('gaps:QueryTable.avgPosition'),
    tip: t('gaps:QueryTable.weightedByImpressionsOverManyPages'),
  },
  {
    sort: 'expected',
    head: t('gaps:QueryTable.expected'),
    tip: t('gaps:QueryTable.impressionsClickThroughOfTheir'),
  },
  {
    sort: 'ratio',
    head: t('gaps:QueryTable.ratio'),
    tip: t('gaps:QueryTable.clicksExpectedClicksWithIts95'),
  },
] as const;

interface QueryTableProps {
  page: OwnQueryPage;
  order: { sort: QuerySort; descending: boolean };
  goal: boolean;
  onOrder: (order: { sort: QuerySort; descending: boolean }) => void;
}

/** Own queries, one a line, sorted by pressing a head. */
export function QueryTable({ page, order, goal, onOrder }: QueryTableProps) {
  const { selected, select } = useTraySelection();
  const held = page.sumBefore !== null;
  const [clicks, changed, impressions, ctr, place, expected, ratio] = HEADS;
  return (
    <Ledger
      className="own-queries"
      take={t('gaps:QueryTable.ownQueries2')}
      rows={page.rows}
      keyOf={({ id }) => id}
      empty={t('gaps:QueryTable.nothingMatchesTheseFiltersInThis')}
      order={order}
      onOrder={({ sort, descending }) => onOrder({ sort: sort as QuerySort, descending })}
      columns={[
        {
          head: '',
          label: t('gaps:QueryTable.inTheTray'),
          cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
        },
        {
          head: t('gaps:QueryTable.query'),
          cell: ({ id, text, pages }) => (
            <>
              <OpenKeyword id={id} text={text} />
              {pages > 1 && <span className="faint"> {t('gaps:QueryTable.pagesPages', { pages })}</span>}
            </>
          ),
        },
        { ...clicks, figure: true, cell: (row) => count(row.clicks) },
        { ...changed, figure: true, cell: (row) => <Change row={row} held={held} /> },
        { ...impressions, figure: true, cell: (row) => count(row.impressions) },
        { ...ctr, figure: true, cell: (row) => <RateWord of={row.ctr} /> },
        { ...place, figure: true, cell: (row) => decimal(row.position, 1) },
        { ...expected, figure: true, cell: (row) => decimal(row.expected, 1) },
        {
          ...ratio,
          figure: true,
          cell: (row) =>
            row.ratio ? (
              decimal(row.ratio.ratio, 2)
            ) : (
              <span className="faint">{t('gaps:QueryTable.unknown')}</span>
            ),
          title: (row) =>
            row.ratio
              ? t('gaps:QueryTable.n95IntervalLowHigh', {
                  low: decimal(row.ratio.low, 2),
                  high: decimal(row.ratio.high, 2),
                })
              : undefined,
        },
        {
          head: t('gaps:QueryTable.captured'),
          tip: t('gaps:QueryTable.ourOrganicPositionInTheNewest'),
          figure: true,
          cell: ({ captured }) => <PositionWord of={captured} />,
        },
        goal && {
          head: t('gaps:QueryTable.clicksShort'),
          tip: t('gaps:QueryTable.clicksFewerThanTheWantedCTR'),
          figure: true,
          cell: ({ shortfall }) => decimal(shortfall, 1),
        },
        {
          head: t('gaps:QueryTable.standsOut'),
          tip: t('gaps:QueryTable.whatIsUnusualAboutItAnd'),
          cell: (row) => said(row),
        },
      ]}
    />
  );
}

function Change({ row: { clicks, before }, held }: { row: OwnQueryRow; held: boolean }) {
  if (before === null)
    return <span className="faint">{held ? t('gaps:QueryTable.new') : t('gaps:QueryTable.unknown')}</span>;
  const more = clicks - before.clicks;
  return more > 0 ? `+${count(more)}` : count(more);
}

function said(row: OwnQueryRow): string {
  return [
    row.word === 'as expected' || row.word === 'unknown' ? '' : row.word,
    row.near ? t('gaps:QueryTable.near') : '',
    row.listed ? '' : t('gaps:QueryTable.unlisted'),
  ]
    .filter(Boolean)
    .join(' · ');
}
