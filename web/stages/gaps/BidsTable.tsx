import type { BidRow, Bids } from '@opsimath/contract/api/bids';
import type { Job } from '@opsimath/contract/api/jobs';
import { UNSEEN_REASONS, type UnseenReason } from '@opsimath/core/ads/bidGuide';
import { Button } from 'antd';
import { useState } from 'react';
import { Ledger } from '../../parts/table/Ledger';
import { Tick } from '../../parts/table/Tick';
import { JobLine } from '../../parts/words/JobLine';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { Problem } from '../../parts/words/Problem';
import { count, counted, decimal, spelledDay, worth } from '../../parts/words/figures';
import { useJob } from '../../state/jobs';
import { isUnderWay } from '../../state/jobsHeard';
import {
  useAuctionPriceQuery,
  useBidsQuery,
  useBringBidsMutation,
  useObserveAuctionsMutation,
} from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { useShown } from '../../state/useShown';
import { useTraySelection } from '../../state/useTraySelection';
import { FilterToggle } from '../../parts/words/FilterToggle';

const SHOWN = ['all', 'never shown', ...UNSEEN_REASONS] as const;
type Shown = (typeof SHOWN)[number];
const TIPS: Record<UnseenReason, string> = {
  'words missing': 'The landing target does not hold every word of the keyword.',
  'bid too low': 'The bid lies below what sufficed on most of the days observed.',
  'no demand': 'Nobody searches for it.',
  unexplained: 'Nothing that is known explains it; auctions that were not observed say nothing.',
};
const FEW = 12;
const GUIDE_DAYS = 14;
const MOST_OBSERVED = 100;

const UNKNOWN = <span className="faint">unknown</span>;

/** What we bid on, against what would suffice; those never shown first, each with the first reason that holds. */
export function BidsTable() {
  const { project, scope, comparison } = useScope();
  const { data, error } = useBidsQuery({ project, query: { ...comparison, own: scope.own } });
  const [bring, { isLoading, error: refused }] = useBringBidsMutation();
  const [chosen, setChosen] = useShown<Shown>('bids', 'never shown', SHOWN);
  const [all, setAll] = useState(false);
  const { selected, select } = useTraySelection();
  if (error) return <Problem error={error} />;
  if (!data) return null;
  const unseen = data.rows.filter(({ unseen: why }) => why !== null);
  const rows =
    chosen === 'all'
      ? data.rows
      : unseen.filter(({ unseen: why }) => chosen === 'never shown' || why === chosen);
  const toggle = (name: Shown, tip: string, many: number) => (
    <FilterToggle
      key={name}
      name={name}
      tip={tip}
      count={many}
      on={chosen === name}
      onPress={() => setChosen(name)}
    />
  );
  return (
    <section aria-label="What we bid on">
      <header className="stage-head">
        <h2>
          What we bid on{' '}
          {data.date !== null && (
            <span className="faint">
              {count(data.rows.length)}, as of {spelledDay(data.date)}
            </span>
          )}
        </h2>
        <Button
          size="small"
          loading={isLoading}
          title="Asks the connected account for its campaigns. It costs no units."
          onClick={() => void bring({ project, market: scope.market })}
        >
          {data.date === null ? 'Bring our bids in' : 'Bring them in again'}
        </Button>
      </header>
      {refused && <Problem error={refused} />}
      {data.date === null ? (
        <p className="soft">
          Not known yet for this market. With them, a keyword that is paid for and never shown is explained.
        </p>
      ) : (
        <>
          <div className="marks">
            {toggle('all', 'Every keyword bid on.', data.rows.length)}
            {toggle('never shown', 'No impression in the period of own figures.', unseen.length)}
            {UNSEEN_REASONS.map((reason) =>
              toggle(reason, TIPS[reason], unseen.filter(({ unseen: why }) => why === reason).length),
            )}
          </div>
          {data.to === null && (
            <p className="soft">
              No own ad terms are held by this date: what was shown, and what it cost, is unknown.
            </p>
          )}
          <Observe rows={rows} bids={data} />
          <Ledger
            rows={all ? rows : rows.slice(0, FEW)}
            keyOf={({ campaign, id, match }) => `${campaign}:${id}:${match}`}
            empty="Nothing matches these filters."
            take="What we bid on"
            columns={[
              {
                head: '',
                label: 'In the tray',
                cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
              },
              { head: 'Keyword', cell: ({ id, text }) => <OpenKeyword id={id} text={text} /> },
              { head: 'Match', className: 'soft', cell: ({ match }) => match },
              {
                head: 'Bid',
                tip: `In ${data.currency}, exact.`,
                figure: true,
                cell: ({ bid }) => decimal(bid, 2),
              },
              {
                head: 'Would suffice',
                tip: `In ${data.currency}: median of the lowest bid that won a slot each day, with its 20th to 80th percentile; for phrase and broad weighted by volume over the queries observed. Estimated.`,
                figure: true,
                cell: (row) => <Guide row={row} />,
              },
              {
                head: 'Volume',
                figure: true,
                cell: ({ volume }) =>
                  volume === null ? <span className="faint">unknown</span> : count(volume),
              },
              {
                head: 'Impressions',
                tip: 'Of own ad search terms that came in by it, in the period of own figures. Exact.',
                figure: true,
                cell: ({ impressions }) => (data.to === null ? UNKNOWN : count(impressions)),
              },
              {
                head: 'Cost',
                tip: `In ${data.currency}, exact.`,
                figure: true,
                cell: ({ cost }) => (data.to === null ? UNKNOWN : worth(cost)),
              },
              {
                head: 'Landing target',
                tip: 'Whether it holds every word of the keyword, in any of its fields',
                className: 'soft',
                cell: ({ covered }) =>
                  covered === null ? 'words unknown' : covered ? 'has all words' : 'lacks words',
                title: ({ landing }) => landing,
              },
              {
                head: 'Stands out',
                tip: 'Why it was never shown, where it was not',
                cell: ({ unseen: why }) => (why === null ? '' : `never shown: ${why}`),
              },
            ]}
          />
          {rows.length > FEW && (
            <button className="plain written" onClick={() => setAll(!all)}>
              {all ? `Show the first ${FEW}` : `Show all ${count(rows.length)}`}
            </button>
          )}
        </>
      )}
    </section>
  );
}

function Guide({ row: { guide } }: { row: BidRow }) {
  if (guide === null) return <span className="faint">not observed</span>;
  return (
    <span title={`${guide.days} days of ${guide.keywords} ${guide.keywords === 1 ? 'keyword' : 'keywords'}`}>
      {decimal(guide.middle, 2)}{' '}
      <span className="faint">
        {decimal(guide.low, 2)}–{decimal(guide.high, 2)}
      </span>
    </span>
  );
}

/** The way to what would suffice: the auctions of the keywords shown, priced before. */
function Observe({ rows, bids }: { rows: readonly BidRow[]; bids: Bids }) {
  const { project, scope } = useScope();
  const [observe, { error }] = useObserveAuctionsMutation();
  const [started, setStarted] = useState<Job | null>(null);
  const job = useJob(started);
  const keywords = [...new Set(rows.filter(({ guide }) => guide === null).map(({ id }) => id))].slice(
    0,
    MOST_OBSERVED,
  );
  const ask = { project, market: scope.market, date: scope.date, days: GUIDE_DAYS, keywords };
  const busy = job !== null && isUnderWay(job);
  const { data: price } = useAuctionPriceQuery(ask, { skip: keywords.length === 0 || busy });
  if (bids.rows.length === 0) return null;
  return (
    <div className="observe">
      {error && <Problem error={error} />}
      {job !== null && job.state !== 'done' && <JobLine job={job} />}
      {keywords.length > 0 && !busy && price && price.units > 0 && (
        <span className="soft">
          What would suffice is not known for {count(keywords.length)}
          {keywords.length === MOST_OBSERVED && ' of them'}.{' '}
          <Button
            size="small"
            onClick={() =>
              void observe(ask)
                .unwrap()
                .then(setStarted, () => undefined)
            }
          >
            Observe {GUIDE_DAYS} days of their auctions for {counted(price.units, 'unit')}
          </Button>
        </span>
      )}
    </div>
  );
}
