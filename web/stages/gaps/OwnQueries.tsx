import {
  type OwnQueryPage,
  type OwnQueryRow,
  type QuerySort,
  querySort,
} from '@opsimath/contract/api/ownQueries';
import { QUERY_GROUPS, type QueryGroup } from '@opsimath/core/performance/queryGroups';
import { Button, InputNumber } from 'antd';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Ledger } from '../../parts/table/Ledger';
import { Tick } from '../../parts/table/Tick';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { rateOf } from '@opsimath/core/rates/wilson';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { PositionWord } from '../../parts/words/PositionWord';
import { RateWord } from '../../parts/words/RateWord';
import { count, counted, decimal, spelledDay } from '../../parts/words/figures';
import { useOwnQueriesQuery } from '../../state/standingApi';
import { searchWithView } from '../../state/scope';
import { useChangeProjectMutation } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { useShown } from '../../state/useShown';
import { useTraySelection } from '../../state/useTraySelection';
import { FilterToggle } from '../../parts/words/FilterToggle';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

const PAGE = 100;
const MOST = 500;
const QUERY_ORDERS = querySort.options.flatMap((sort) => [`-${sort}`, sort]);
const TIPS: Record<QueryGroup, string> = {
  'weak snippet': t('gaps:OwnQueries.fewerClicksThanItsPositionsPromise'),
  'strong outside the front': t('gaps:OwnQueries.moreClicksThanItsPositionsPromise'),
  'many seen, few clicks': t('gaps:OwnQueries.impressionsInTheTopQuarterAnd'),
  near: t('gaps:OwnQueries.at1120WithImpressionsIn'),
  unlisted: t('gaps:OwnQueries.broughtClicksIsInNoList'),
  'few cases': t('gaps:OwnQueries.itsCTRIsThinThe95'),
  'below the goal': t('gaps:OwnQueries.fewerClicksThanTheWantedCTR'),
};
const HEADS = [
  {
    sort: 'clicks',
    head: t('gaps:OwnQueries.clicks'),
    tip: t('gaps:OwnQueries.exactFromOwnSearchPerformance'),
  },
  { sort: 'change', head: t('gaps:OwnQueries.change'), tip: t('gaps:OwnQueries.clicksMoreOrFewerThanIn') },
  {
    sort: 'impressions',
    head: t('gaps:OwnQueries.impressions'),
    tip: t('gaps:OwnQueries.howOftenOneOfOurAddresses'),
  },
  { sort: 'ctr', head: t('gaps:OwnQueries.cTR'), tip: t('gaps:OwnQueries.clicksImpressionsThinFewCasesThe') },
  {
    sort: 'position',
    head: t('gaps:OwnQueries.avgPosition'),
    tip: t('gaps:OwnQueries.weightedByImpressionsOverManyPages'),
  },
  {
    sort: 'expected',
    head: t('gaps:OwnQueries.expected'),
    tip: t('gaps:OwnQueries.impressionsClickThroughOfTheir'),
  },
  {
    sort: 'ratio',
    head: t('gaps:OwnQueries.ratio'),
    tip: t('gaps:OwnQueries.clicksExpectedClicksWithIts95'),
  },
] as const;

/** Own search performance by query: this period against the one before, and against what was to be expected. */
export function OwnQueries() {
  const { project, scope } = useScope();
  const { search } = useLocation();
  const [group, setGroup] = useShown<QueryGroup | ''>('queries', '', QUERY_GROUPS);
  const [find, setFind] = useShown<string>('query', '');
  const [sorted, setSorted] = useShown<string>('queriesSort', '-clicks', QUERY_ORDERS);
  const order = { sort: sorted.replace('-', '') as QuerySort, descending: sorted.startsWith('-') };
  const [keep] = useChangeProjectMutation();
  const [typed, setTyped] = useState<number | null | undefined>(undefined);
  const [limit, setLimit] = useState(PAGE);
  const { data, error } = useOwnQueriesQuery({
    project,
    query: {
      market: scope.market,
      date: scope.date,
      own: scope.own,
      group: group === '' ? undefined : group,
      find,
      sort: order.sort,
      descending: String(order.descending),
      limit,
    },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('gaps:OwnQueries.ownQueries')} />;
  const goal = data.goal === null ? null : data.goal * 100;
  const setGoal = (): void => {
    if (typed === undefined || typed === goal) return;
    if (typed === null && group === 'below the goal') setGroup('');
    const clickThrough = typed === null ? null : typed / 100;
    void keep({ project, settings: { goals: { clickThrough } } });
    setTyped(undefined);
  };
  if (data.until === null) {
    return (
      <Empty title={t('gaps:OwnQueries.noOwnSearchPerformanceInThis')}>
        {t('gaps:OwnQueries.bringInAFileOfQueries')}
        <div>
          <Link to={`/p/${project}/roster${searchWithView(search, 'files')}`}>
            <Button type="primary">{t('gaps:OwnQueries.bringInAFile')}</Button>
          </Link>
        </div>
      </Empty>
    );
  }
  return (
    <section className="gap-part" aria-label={t('gaps:OwnQueries.ownQueries2')}>
      <header className="stage-head">
        <QueriesTold page={data} />
        <span className="stage-tools">
          <FindBox name={t('gaps:OwnQueries.findAQuery')} value={find} onFind={setFind} width={170} />
        </span>
      </header>
      <div className="marks">
        {QUERY_GROUPS.filter((name) => name !== 'below the goal' || goal !== null).map((name) => (
          <FilterToggle
            key={name}
            name={wordOf(name)}
            tip={TIPS[name]}
            count={data.groups[name]}
            on={group === name}
            onPress={() => setGroup(group === name ? '' : name)}
          />
        ))}
        <span className="limit">
          {t('gaps:OwnQueries.wantedCTR')}{' '}
          <InputNumber
            size="small"
            aria-label={t('gaps:OwnQueries.wantedCTRInPercent')}
            min={0}
            max={100}
            controls={false}
            placeholder={t('gaps:OwnQueries.none')}
            title={t('gaps:OwnQueries.keptWithTheProject')}
            value={typed === undefined ? goal : typed}
            onChange={setTyped}
            onBlur={setGoal}
            onPressEnter={setGoal}
            style={{ width: 56 }}
          />{' '}
          %
        </span>
      </div>
      <QueryTable
        page={data}
        order={order}
        goal={goal !== null}
        onOrder={({ sort, descending }) => setSorted(`${descending ? '-' : ''}${sort}`)}
      />
      {data.total > data.rows.length && limit < MOST && (
        <button className="plain written" onClick={() => setLimit(MOST)}>
          {t('gaps:OwnQueries.showMoreOfTotal', { total: count(data.total) })}
        </button>
      )}
    </section>
  );
}

function QueriesTold({ page }: { page: OwnQueryPage }) {
  const { sum, sumBefore } = page;
  return (
    <div>
      <h1>
        {t('gaps:OwnQueries.clicksFromQuerys', {
          clicks: counted(sum.clicks, 'click'),
          querys: counted(page.queries, 'query'),
        })}
      </h1>
      <div className="soft">
        <Told
          id="gaps:OwnQueries.fromToToHeldImpressionsCTR"
          values={{
            from: spelledDay(page.from),
            to: spelledDay(page.to),
            held: heldOf(page.held, page.days),
            impressions: counted(sum.impressions, 'impression'),
            position: decimal(sum.position, 1),
            clicks: counted(Math.round(sum.expected), 'click'),
          }}
          parts={{ rateWord: <RateWord of={rateOf(sum.clicks, sum.impressions)} /> }}
        />{' '}
        {sumBefore === null ? (
          t('gaps:OwnQueries.nothingIsHeldOfBeforeFromTo', {
            beforeFrom: spelledDay(page.beforeFrom),
            beforeTo: spelledDay(page.beforeTo),
          })
        ) : (
          <>
            <Told
              id="gaps:OwnQueries.beforeBeforeFromToBeforeToHeld"
              values={{
                beforeFrom: spelledDay(page.beforeFrom),
                beforeTo: spelledDay(page.beforeTo),
                held: heldOf(page.heldBefore, page.days),
                clicks: counted(sumBefore.clicks, 'click'),
                impressions: counted(sumBefore.impressions, 'impression'),
                position: decimal(sumBefore.position, 1),
              }}
              parts={{ rateWord: <RateWord of={rateOf(sumBefore.clicks, sumBefore.impressions)} /> }}
            />
            {page.held !== page.heldBefore && ` ${t('gaps:OwnQueries.theTwoPeriodsDoNotHold')}`}
          </>
        )}
      </div>
    </div>
  );
}

/** Says what is held of a period unless it is all of it. */
function heldOf(held: number, days: number): string {
  return held === days
    ? ''
    : ` ${t('gaps:OwnQueries.heldOfDaysHeld', { held: count(held), days: counted(days, 'day') })}`;
}

interface QueryTableProps {
  page: OwnQueryPage;
  order: { sort: QuerySort; descending: boolean };
  goal: boolean;
  onOrder: (order: { sort: QuerySort; descending: boolean }) => void;
}

function QueryTable({ page, order, goal, onOrder }: QueryTableProps) {
  const { selected, select } = useTraySelection();
  const held = page.sumBefore !== null;
  const [clicks, changed, impressions, ctr, place, expected, ratio] = HEADS;
  return (
    <Ledger
      className="own-queries"
      take={t('gaps:OwnQueries.ownQueries2')}
      rows={page.rows}
      keyOf={({ id }) => id}
      empty={t('gaps:OwnQueries.nothingMatchesTheseFiltersInThis')}
      order={order}
      onOrder={({ sort, descending }) => onOrder({ sort: sort as QuerySort, descending })}
      columns={[
        {
          head: '',
          label: t('gaps:OwnQueries.inTheTray'),
          cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
        },
        {
          head: t('gaps:OwnQueries.query'),
          cell: ({ id, text, pages }) => (
            <>
              <OpenKeyword id={id} text={text} />
              {pages > 1 && <span className="faint"> {t('gaps:OwnQueries.pagesPages', { pages })}</span>}
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
              <span className="faint">{t('gaps:OwnQueries.unknown')}</span>
            ),
          title: (row) =>
            row.ratio
              ? t('gaps:OwnQueries.n95IntervalLowHigh', {
                  low: decimal(row.ratio.low, 2),
                  high: decimal(row.ratio.high, 2),
                })
              : undefined,
        },
        {
          head: t('gaps:OwnQueries.captured'),
          tip: t('gaps:OwnQueries.ourOrganicPositionInTheNewest'),
          figure: true,
          cell: ({ captured }) => <PositionWord of={captured} />,
        },
        goal && {
          head: t('gaps:OwnQueries.clicksShort'),
          tip: t('gaps:OwnQueries.clicksFewerThanTheWantedCTR'),
          figure: true,
          cell: ({ shortfall }) => decimal(shortfall, 1),
        },
        {
          head: t('gaps:OwnQueries.standsOut'),
          tip: t('gaps:OwnQueries.whatIsUnusualAboutItAnd'),
          cell: (row) => said(row),
        },
      ]}
    />
  );
}

function Change({ row: { clicks, before }, held }: { row: OwnQueryRow; held: boolean }) {
  if (before === null)
    return <span className="faint">{held ? t('gaps:OwnQueries.new') : t('gaps:OwnQueries.unknown')}</span>;
  const more = clicks - before.clicks;
  return more > 0 ? `+${count(more)}` : count(more);
}

function said(row: OwnQueryRow): string {
  return [
    row.word === 'as expected' || row.word === 'unknown' ? '' : row.word,
    row.near ? t('gaps:OwnQueries.near') : '',
    row.listed ? '' : t('gaps:OwnQueries.unlisted'),
  ]
    .filter(Boolean)
    .join(' · ');
}
