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

const PAGE = 100;
const MOST = 500;
const QUERY_ORDERS = querySort.options.flatMap((sort) => [`-${sort}`, sort]);
const TIPS: Record<QueryGroup, string> = {
  'weak snippet': 'Fewer clicks than its positions promise: the 95 % interval of the ratio lies below 1.',
  'strong outside the front': 'More clicks than its positions promise, although it stands beyond the front.',
  'many seen, few clicks':
    'Impressions in the top quarter, and a weak snippet or an average position beyond the front.',
  near: 'At 11–20 with impressions in the top quarter.',
  unlisted: 'Brought clicks, is in no list, and we don’t bid on it.',
  'few cases': 'Its CTR is thin: the 95 % interval is wider than the rate itself and than 2 points.',
  'below the goal': 'Fewer clicks than the wanted CTR would bring.',
};
const HEADS = [
  { sort: 'clicks', head: 'Clicks', tip: 'Exact, from own search performance.' },
  { sort: 'change', head: 'Change', tip: 'Clicks more or fewer than in the period before.' },
  { sort: 'impressions', head: 'Impressions', tip: 'How often one of our addresses was shown. Exact.' },
  { sort: 'ctr', head: 'CTR', tip: 'Clicks ÷ impressions. “Thin”: few cases; the interval is in the tip.' },
  {
    sort: 'position',
    head: 'Avg position',
    tip: 'Weighted by impressions over many pages: never the same as a captured position.',
  },
  { sort: 'expected', head: 'Expected', tip: 'Σ impressions × click-through of their positions. Estimated.' },
  {
    sort: 'ratio',
    head: 'Ratio',
    tip: 'Clicks ÷ expected clicks, with its 95 % Poisson interval in the tip.',
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
  if (!data) return <Waiting for="own queries" />;
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
      <Empty title="No own search performance in this market yet">
        Bring in a file of queries with clicks, impressions and average position.
        <div>
          <Link to={`/p/${project}/roster${searchWithView(search, 'files')}`}>
            <Button type="primary">Bring in a file</Button>
          </Link>
        </div>
      </Empty>
    );
  }
  return (
    <section className="gap-part" aria-label="Own queries">
      <header className="stage-head">
        <Told page={data} />
        <span className="stage-tools">
          <FindBox name="Find a query" value={find} onFind={setFind} width={170} />
        </span>
      </header>
      <div className="marks">
        {QUERY_GROUPS.filter((name) => name !== 'below the goal' || goal !== null).map((name) => (
          <FilterToggle
            key={name}
            name={name}
            tip={TIPS[name]}
            count={data.groups[name]}
            on={group === name}
            onPress={() => setGroup(group === name ? '' : name)}
          />
        ))}
        <span className="limit">
          wanted CTR{' '}
          <InputNumber
            size="small"
            aria-label="Wanted CTR in percent"
            min={0}
            max={100}
            controls={false}
            placeholder="none"
            title="Kept with the project"
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
          Show more of {count(data.total)}
        </button>
      )}
    </section>
  );
}

function Told({ page }: { page: OwnQueryPage }) {
  const { sum, sumBefore } = page;
  return (
    <div>
      <h1>
        {counted(sum.clicks, 'click')} from {counted(page.queries, 'query', 'queries')}
      </h1>
      <div className="soft">
        {spelledDay(page.from)} to {spelledDay(page.to)}
        {heldOf(page.held, page.days)}: {counted(sum.impressions, 'impression')}, CTR{' '}
        <RateWord of={rateOf(sum.clicks, sum.impressions)} />, average position {decimal(sum.position, 1)};{' '}
        {counted(Math.round(sum.expected), 'click')} expected (estimated).{' '}
        {sumBefore === null ? (
          `Nothing is held of ${spelledDay(page.beforeFrom)} to ${spelledDay(page.beforeTo)}.`
        ) : (
          <>
            Before, {spelledDay(page.beforeFrom)} to {spelledDay(page.beforeTo)}
            {heldOf(page.heldBefore, page.days)}: {counted(sumBefore.clicks, 'click')},{' '}
            {counted(sumBefore.impressions, 'impression')}, CTR{' '}
            <RateWord of={rateOf(sumBefore.clicks, sumBefore.impressions)} />, position{' '}
            {decimal(sumBefore.position, 1)}.
            {page.held !== page.heldBefore &&
              ' The two periods do not hold the same number of days: changes between them are not like with like.'}
          </>
        )}
      </div>
    </div>
  );
}

/** Says what is held of a period unless it is all of it. */
function heldOf(held: number, days: number): string {
  return held === days ? '' : ` (${count(held)} of ${counted(days, 'day')} held)`;
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
      take="Own queries"
      rows={page.rows}
      keyOf={({ id }) => id}
      empty="Nothing matches these filters in this period."
      order={order}
      onOrder={({ sort, descending }) => onOrder({ sort: sort as QuerySort, descending })}
      columns={[
        {
          head: '',
          label: 'In the tray',
          cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
        },
        {
          head: 'Query',
          cell: ({ id, text, pages }) => (
            <>
              <OpenKeyword id={id} text={text} />
              {pages > 1 && <span className="faint"> {pages} pages</span>}
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
          cell: (row) => (row.ratio ? decimal(row.ratio.ratio, 2) : <span className="faint">unknown</span>),
          title: (row) =>
            row.ratio
              ? `95 % interval ${decimal(row.ratio.low, 2)}–${decimal(row.ratio.high, 2)}`
              : undefined,
        },
        {
          head: 'Captured',
          tip: 'Our organic position in the newest capture',
          figure: true,
          cell: ({ captured }) => <PositionWord of={captured} />,
        },
        goal && {
          head: 'Clicks short',
          tip: 'Clicks fewer than the wanted CTR would bring',
          figure: true,
          cell: ({ shortfall }) => decimal(shortfall, 1),
        },
        {
          head: 'Stands out',
          tip: 'What is unusual about it, and whether it is in a list',
          cell: (row) => said(row),
        },
      ]}
    />
  );
}

function Change({ row: { clicks, before }, held }: { row: OwnQueryRow; held: boolean }) {
  if (before === null) return <span className="faint">{held ? 'new' : 'unknown'}</span>;
  const more = clicks - before.clicks;
  return more > 0 ? `+${count(more)}` : count(more);
}

function said(row: OwnQueryRow): string {
  return [
    row.word === 'as expected' || row.word === 'unknown' ? '' : row.word,
    row.near ? 'near' : '',
    row.listed ? '' : 'unlisted',
  ]
    .filter(Boolean)
    .join(' · ');
}
