import type { AdTermRow, PaidQuery } from '@opsimath/contract/api/paid';
import { BALANCES, type Balance } from '@opsimath/core/ads/balance';
import { Spin } from 'antd';
import { useState } from 'react';
import { Tick } from '../../parts/table/Tick';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { RateWord } from '../../parts/words/RateWord';
import { count, decimal, percent, worth } from '../../parts/words/figures';
import { usePaidQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { useTraySelection } from '../../state/useTraySelection';
import { FilterToggle } from './FilterToggle';

type State = NonNullable<PaidQuery['state']>;
const STATES: [State, string][] = [
  ['listed', 'In a list of the project, or bid on.'],
  ['unlisted with clicks', 'Brought clicks and is in no list: a candidate keyword.'],
  ['unlisted', 'In no list, no clicks.'],
  ['costly', 'Cost at least twice what a conversion may cost, and brought none: a candidate negative.'],
  ['no impressions', 'Bid on and never shown; the first thing that explains it is said.'],
];
const PAGE = 100;

/** Own ad search terms against the keyword list, each with the organic position beside it. */
export function AdTermsTable() {
  const { project, scope, comparison } = useScope();
  const [state, setState] = useState<State | undefined>();
  const [balance, setBalance] = useState<Balance | undefined>();
  const [find, setFind] = useState('');
  const [sort, setSort] = useState<NonNullable<PaidQuery['sort']>>('cost');
  const [limit, setLimit] = useState(PAGE);
  const { data, error } = usePaidQuery({
    project,
    query: { ...comparison, own: scope.own, state, balance, find, sort, limit },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Spin style={{ marginTop: 16 }} />;
  if (data.to === null) return null;
  const head = (name: string, by: typeof sort, tip: string) => (
    <th className="figure" title={tip} aria-sort={sort === by ? 'descending' : undefined}>
      <button className="plain" onClick={() => setSort(by)}>
        {name}
        {sort === by && <span aria-hidden> ↓</span>}
      </button>
    </th>
  );
  return (
    <section aria-label="Own ad search terms">
      <header className="gaps-head">
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
            onPress={() => setState(state === name ? undefined : name)}
          />
        ))}
        <span className="faint">Conversion and volume</span>
        {BALANCES.map((name) => (
          <FilterToggle
            key={name}
            name={name}
            tip="Conversion rate, drawn towards that of all terms, and volume against the medians of the terms. Without a click the rate is unknown, not low."
            count={data.balances[name]}
            on={balance === name}
            onPress={() => setBalance(balance === name ? undefined : name)}
          />
        ))}
      </div>
      <table className="ledger">
        <thead>
          <tr>
            <th aria-label="In the tray" />
            <th>Term</th>
            <th>Bid on</th>
            {head('Cost', 'cost', `In ${data.currency}, exact.`)}
            {head('Impressions', 'impressions', 'Exact.')}
            {head('Clicks', 'clicks', 'Exact.')}
            {head(
              'CTR',
              'ctr',
              'As counted; the tip of the figure beside it says it drawn towards all terms.',
            )}
            {head('Conversions', 'conversions', 'Exact.')}
            <th className="figure" title="Our organic position in the newest capture">
              Organic
            </th>
            <th title="Whether the landing page’s title carries every word of the term">Title</th>
            <th>Says</th>
          </tr>
        </thead>
        <tbody>
          {data.rows.map((row) => (
            <TermLine key={row.id} row={row} />
          ))}
          {data.rows.length === 0 && (
            <tr>
              <td colSpan={11} className="soft">
                No term of this choice.
              </td>
            </tr>
          )}
        </tbody>
      </table>
      {data.total > data.rows.length && limit === PAGE && (
        <button className="plain written" onClick={() => setLimit(500)}>
          Show more of {count(data.total)}
        </button>
      )}
    </section>
  );
}

function TermLine({ row }: { row: AdTermRow }) {
  const { selected, select } = useTraySelection();
  return (
    <tr>
      <td>
        <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />
      </td>
      <td>
        <b>{row.text}</b>
      </td>
      <td className="soft">
        {row.bidOn} {row.match !== '' && <span className="faint">{row.match}</span>}
      </td>
      <td className="figure">{worth(row.cost)}</td>
      <td className="figure">{count(row.impressions)}</td>
      <td className="figure">{count(row.clicks)}</td>
      <td className="figure">
        <RateWord of={row.ctr} />
        <span className="faint" title="Drawn towards the CTR of all terms">
          {' '}
          {percent(row.shrunkCtr)}
        </span>
      </td>
      <td
        className="figure"
        title={`rate drawn towards all: ${percent(row.shrunkConversion)}; worth ${worth(row.value)}`}
      >
        {decimal(row.conversions, 0)}
      </td>
      <td className="figure">
        {typeof row.organic === 'number' ? row.organic : <span className="faint">{row.organic}</span>}
      </td>
      <td className="soft" title={row.landing ?? undefined}>
        {row.carried === null ? 'unknown' : row.carried ? 'has all words' : 'lacks words'}
      </td>
      <td>
        {[
          row.doubling ? 'doubling' : '',
          row.costly ? 'costly without conversion' : '',
          row.state === 'unlisted with clicks' ? 'candidate keyword' : '',
          row.unseen === null ? '' : `never shown: ${row.unseen}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </td>
    </tr>
  );
}
