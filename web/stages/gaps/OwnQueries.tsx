import {
  type OwnQueryPage,
  type OwnQueryRow,
  QUERY_GROUPS,
  type QueryGroup,
  type QuerySort,
} from '@opsimath/contract/api/ownQueries';
import { Button, InputNumber, Spin } from 'antd';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Tick } from '../../parts/table/Tick';
import { Empty } from '../../parts/words/Empty';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { rateOf } from '@opsimath/core/rates/wilson';
import { RateWord } from '../../parts/words/RateWord';
import { count, decimal, spelledDay } from '../../parts/words/figures';
import { useOwnQueriesQuery } from '../../state/standingApi';
import { searchWithView } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { useTraySelection } from '../../state/useTraySelection';
import { FilterToggle } from './FilterToggle';

const PAGE = 100;
const MOST = 500;
const TIPS: Record<QueryGroup, string> = {
  'weak snippet': 'Fewer clicks than its positions promise: the 95 % interval of the ratio lies below 1.',
  'strong outside the front': 'More clicks than its positions promise, although it stands beyond the front.',
  'many seen, few clicks':
    'Impressions in the top quarter, and a weak snippet or an average position beyond the front.',
  near: 'At 11–20 with impressions in the top quarter.',
  unlisted: 'Brought clicks, and is in no list and bid on by nobody of us.',
  'below the goal': 'Fewer clicks than the wanted CTR would bring.',
};
const HEADS: { sort: QuerySort; name: string; tip: string }[] = [
  { sort: 'clicks', name: 'Clicks', tip: 'Exact, from own search performance.' },
  { sort: 'change', name: 'Change', tip: 'Clicks more or fewer than in the period before.' },
  { sort: 'impressions', name: 'Impressions', tip: 'How often one of our addresses was shown. Exact.' },
  { sort: 'ctr', name: 'CTR', tip: 'Clicks ÷ impressions. “Thin”: few cases; the interval is in the tip.' },
  {
    sort: 'position',
    name: 'Avg position',
    tip: 'Weighted by impressions over many pages: never the same as a captured position.',
  },
  { sort: 'expected', name: 'Expected', tip: 'Σ impressions × click-through of their positions. Estimated.' },
  {
    sort: 'ratio',
    name: 'Ratio',
    tip: 'Clicks ÷ expected clicks, with its 95 % Poisson interval in the tip.',
  },
];

/** Own search performance by query: this period against the one before, and against what was to be expected. */
export function OwnQueries() {
  const { project, scope } = useScope();
  const { search } = useLocation();
  const [group, setGroup] = useState<QueryGroup | undefined>();
  const [find, setFind] = useState('');
  const [order, setOrder] = useState<{ sort: QuerySort; descending: boolean }>({
    sort: 'clicks',
    descending: true,
  });
  const [goal, setGoal] = useState<number | null>(null);
  const [limit, setLimit] = useState(PAGE);
  const { data, error } = useOwnQueriesQuery({
    project,
    query: {
      market: scope.market,
      date: scope.date,
      own: scope.own,
      group,
      find,
      sort: order.sort,
      descending: String(order.descending),
      goal: goal === null ? undefined : goal / 100,
      limit,
    },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Spin style={{ marginTop: 16 }} />;
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
      <header className="gaps-head">
        <Told page={data} />
        <span className="gaps-tools">
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
            onPress={() => setGroup(group === name ? undefined : name)}
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
            value={goal}
            onChange={(value) => {
              setGoal(value);
              if (value === null && group === 'below the goal') setGroup(undefined);
            }}
            style={{ width: 56 }}
          />{' '}
          %
        </span>
      </div>
      <QueryTable page={data} order={order} goal={goal !== null} onOrder={setOrder} />
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
        {count(sum.clicks)} clicks from {count(page.queries)} queries
      </h1>
      <div className="soft">
        {spelledDay(page.from)} to {spelledDay(page.to)}: {count(sum.impressions)} impressions, CTR{' '}
        <RateWord of={rateOf(sum.clicks, sum.impressions)} />, average position {decimal(sum.position, 1)};{' '}
        {count(Math.round(sum.expected))} clicks were to be expected (estimated).{' '}
        {sumBefore === null ? (
          `Nothing is held of ${spelledDay(page.beforeFrom)} to ${spelledDay(page.beforeTo)}.`
        ) : (
          <>
            Before, {spelledDay(page.beforeFrom)} to {spelledDay(page.beforeTo)}: {count(sumBefore.clicks)}{' '}
            clicks, {count(sumBefore.impressions)} impressions, CTR{' '}
            <RateWord of={rateOf(sumBefore.clicks, sumBefore.impressions)} />, position{' '}
            {decimal(sumBefore.position, 1)}.
          </>
        )}
      </div>
    </div>
  );
}

interface QueryTableProps {
  page: OwnQueryPage;
  order: { sort: QuerySort; descending: boolean };
  goal: boolean;
  onOrder: (order: { sort: QuerySort; descending: boolean }) => void;
}

function QueryTable({ page, order, goal, onOrder }: QueryTableProps) {
  return (
    <table className="ledger own-queries">
      <thead>
        <tr>
          <th aria-label="In the tray" />
          <th>Query</th>
          {HEADS.map(({ sort, name, tip }) => (
            <th
              key={sort}
              className="figure"
              title={tip}
              aria-sort={order.sort === sort ? (order.descending ? 'descending' : 'ascending') : undefined}
            >
              <button
                className="plain"
                onClick={() => onOrder({ sort, descending: order.sort === sort ? !order.descending : true })}
              >
                {name}
                {order.sort === sort && <span aria-hidden> {order.descending ? '↓' : '↑'}</span>}
              </button>
            </th>
          ))}
          <th className="figure" title="Our organic position in the newest capture">
            Captured
          </th>
          {goal && (
            <th className="figure" title="Clicks short of the wanted CTR">
              Short
            </th>
          )}
          <th>Says</th>
        </tr>
      </thead>
      <tbody>
        {page.rows.map((row) => (
          <QueryLine key={row.id} row={row} goal={goal} held={page.sumBefore !== null} />
        ))}
        {page.rows.length === 0 && (
          <tr>
            <td colSpan={12} className="soft">
              No query of this choice in this period.
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

function QueryLine({ row, goal, held }: { row: OwnQueryRow; goal: boolean; held: boolean }) {
  const { selected, select } = useTraySelection();
  const { change } = useScope();
  const more = row.before === null ? null : row.clicks - row.before.clicks;
  return (
    <tr>
      <td>
        <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />
      </td>
      <td>
        <button className="plain" onClick={() => change({ view: '', open: row.id })}>
          <b>{row.text}</b>
        </button>
        {row.pages > 1 && <span className="faint"> {row.pages} pages</span>}
      </td>
      <td className="figure">{count(row.clicks)}</td>
      <td className="figure">
        {more === null ? (
          <span className="faint">{held ? 'new' : 'unknown'}</span>
        ) : more > 0 ? (
          `+${count(more)}`
        ) : (
          count(more)
        )}
      </td>
      <td className="figure">{count(row.impressions)}</td>
      <td className="figure">
        <RateWord of={row.ctr} />
      </td>
      <td className="figure">{decimal(row.position, 1)}</td>
      <td className="figure">{decimal(row.expected, 1)}</td>
      <td
        className="figure"
        title={
          row.ratio ? `95 % interval ${decimal(row.ratio.low, 2)}–${decimal(row.ratio.high, 2)}` : undefined
        }
      >
        {row.ratio ? decimal(row.ratio.ratio, 2) : <span className="faint">unknown</span>}
      </td>
      <td className="figure">
        {typeof row.captured === 'number' ? row.captured : <span className="faint">{row.captured}</span>}
      </td>
      {goal && <td className="figure">{decimal(row.shortfall, 1)}</td>}
      <td>
        {[
          row.word === 'as expected' || row.word === 'unknown' ? '' : row.word,
          row.near ? 'near' : '',
          row.listed ? '' : 'unlisted',
        ]
          .filter(Boolean)
          .join(' · ')}
      </td>
    </tr>
  );
}
