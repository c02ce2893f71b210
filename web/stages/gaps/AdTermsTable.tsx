import { type AdTermRow, type PaidQuery, termSort } from '@opsimath/contract/api/paid';
import { BALANCES, type Balance } from '@opsimath/core/ads/balance';
import { useState } from 'react';
import { Ledger } from '../../parts/table/Ledger';
import { Tick } from '../../parts/table/Tick';
import { FindBox } from '../../parts/words/FindBox';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { PositionWord } from '../../parts/words/PositionWord';
import { RateWord } from '../../parts/words/RateWord';
import { count, decimal, percent, worth } from '../../parts/words/figures';
import { usePaidQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { useShown } from '../../state/useShown';
import { useTraySelection } from '../../state/useTraySelection';
import { BalanceChart } from './BalanceChart';
import { FilterToggle } from '../../parts/words/FilterToggle';

type State = NonNullable<PaidQuery['state']>;
const STATES: [State, string][] = [
  ['listed', 'In a list of the project, or bid on.'],
  ['unlisted with clicks', 'Brought clicks and is in no list: a candidate keyword.'],
  ['unlisted', 'In no list, no clicks.'],
  ['costly', 'Cost at least twice what a conversion may cost, and brought none: a candidate negative.'],
  ['no impressions', 'Bid on and never shown; the first thing that explains it is said.'],
];
const STATE_NAMES = STATES.map(([name]) => name);
type TermSort = NonNullable<PaidQuery['sort']>;
const PAGE = 100;

/** Own ad search terms against the keyword list, each with the organic position beside it. */
export function AdTermsTable() {
  const { project, scope, comparison } = useScope();
  const [state, setState] = useShown<State | ''>('terms', '', STATE_NAMES);
  const [balance, setBalance] = useShown<Balance | ''>('balance', '', BALANCES);
  const [find, setFind] = useShown<string>('term', '');
  const [sort, setSort] = useShown<TermSort>('termsSort', 'cost', termSort.options);
  const [limit, setLimit] = useState(PAGE);
  const [drawn, setDrawn] = useShown<'picture' | ''>('termsAs', '', ['picture']);
  const narrowed = { state: state === '' ? undefined : state, balance: balance === '' ? undefined : balance };
  const { selected, select } = useTraySelection();
  const { data, error } = usePaidQuery({
    project,
    query: { ...comparison, own: scope.own, ...narrowed, find, sort, limit },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="own ad terms" />;
  if (data.to === null) return null;
  return (
    <section aria-label="Own ad search terms">
      <header className="stage-head">
        <h2>Own ad search terms</h2>
        <FindBox name="Find a term" value={find} onFind={setFind} width={170} />
      </header>
      <div className="marks">
        {STATES.map(([name, tip]) => (
          <FilterToggle
            key={name}
            name={name}
            tip={tip}
            count={data.counts[name]}
            on={state === name}
            onPress={() => setState(state === name ? '' : name)}
          />
        ))}
        <span className="faint">Conversion and volume</span>
        {BALANCES.map((name) => (
          <FilterToggle
            key={name}
            name={name}
            tip="Conversion rate, smoothed towards the average of all terms, and volume against the medians of the terms. Without a click the rate is unknown, not low."
            count={data.balances[name]}
            on={balance === name}
            onPress={() => setBalance(balance === name ? '' : name)}
          />
        ))}
      </div>
      {data.edges !== null && (
        <button
          className="plain written"
          aria-expanded={drawn !== ''}
          onClick={() => setDrawn(drawn === '' ? 'picture' : '')}
        >
          {drawn !== '' ? 'Close the picture' : 'Conversion against volume as a picture'}
        </button>
      )}
      {drawn !== '' && data.edges !== null && (
        <BalanceChart query={{ ...comparison, own: scope.own, ...narrowed, find }} onChoose={setFind} />
      )}
      <Ledger
        rows={data.rows}
        keyOf={({ id }) => id}
        empty="Nothing matches these filters."
        take="Own ad search terms"
        order={{ sort, descending: true }}
        onOrder={(order) => setSort(order.sort as TermSort)}
        columns={[
          {
            head: '',
            label: 'In the tray',
            cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
          },
          { head: 'Term', cell: ({ id, text }) => <OpenKeyword id={id} text={text} /> },
          {
            head: 'Bid on',
            className: 'soft',
            cell: ({ bidOn, match }) => (
              <>
                {bidOn} {match !== '' && <span className="faint">{match}</span>}
              </>
            ),
          },
          {
            head: 'Cost',
            sort: 'cost',
            tip: `In ${data.currency}, exact.`,
            figure: true,
            cell: ({ cost }) => worth(cost),
          },
          {
            head: 'Impressions',
            sort: 'impressions',
            tip: 'Exact.',
            figure: true,
            cell: ({ impressions }) => count(impressions),
          },
          {
            head: 'Clicks',
            sort: 'clicks',
            tip: 'Exact.',
            figure: true,
            cell: ({ clicks }) => count(clicks),
          },
          {
            head: 'CTR',
            sort: 'ctr',
            tip: 'As counted; beside it, smoothed towards the average of all terms.',
            figure: true,
            cell: ({ ctr, shrunkCtr }) => (
              <>
                <RateWord of={ctr} />
                <span className="faint" title="Smoothed towards the average CTR of all terms">
                  {' '}
                  {percent(shrunkCtr)}
                </span>
              </>
            ),
          },
          {
            head: 'Conversions',
            sort: 'conversions',
            tip: 'Exact.',
            figure: true,
            cell: ({ conversions }) => decimal(conversions, 0),
            title: ({ shrunkConversion, value }) =>
              `rate smoothed towards the average: ${percent(shrunkConversion)}; worth ${worth(value)}`,
          },
          {
            head: 'Organic',
            tip: 'Our organic position in the newest capture',
            figure: true,
            cell: ({ organic }) => <PositionWord of={organic} />,
          },
          {
            head: 'Title',
            tip: 'Whether the landing page’s title carries every word of the term',
            className: 'soft no-break',
            cell: ({ carried }) => (carried === null ? 'unknown' : carried ? 'has all words' : 'lacks words'),
            title: ({ landing }) => landing ?? undefined,
          },
          { head: 'Stands out', tip: 'What is unusual about it', cell: (row) => said(row) },
        ]}
      />
      {data.total > data.rows.length && limit === PAGE && (
        <button className="plain written" onClick={() => setLimit(500)}>
          Show more of {count(data.total)}
        </button>
      )}
    </section>
  );
}

function said(row: AdTermRow): string {
  return [
    row.doubling ? 'doubling' : '',
    row.costly ? 'costly without conversion' : '',
    row.state === 'unlisted with clicks' ? 'candidate keyword' : '',
    row.unseen === null ? '' : `never shown: ${row.unseen}`,
  ]
    .filter(Boolean)
    .join(' · ');
}
