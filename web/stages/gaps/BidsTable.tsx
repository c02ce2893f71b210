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
import { t, wordOf } from '../../words/t';

const SHOWN = ['all', 'never shown', ...UNSEEN_REASONS] as const;
type Shown = (typeof SHOWN)[number];
const TIPS: Record<UnseenReason, string> = {
  'words missing': t('gaps:BidsTable.theLandingTargetDoesNotHold'),
  'bid too low': t('gaps:BidsTable.theBidLiesBelowWhatSufficed'),
  'no demand': t('gaps:BidsTable.nobodySearchesForIt'),
  unexplained: t('gaps:BidsTable.nothingThatIsKnownExplainsIt'),
};
const FEW = 12;
const GUIDE_DAYS = 14;
const MOST_OBSERVED = 100;

const UNKNOWN = <span className="faint">{t('gaps:BidsTable.unknown')}</span>;

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
      name={wordOf(name)}
      tip={tip}
      count={many}
      on={chosen === name}
      onPress={() => setChosen(name)}
    />
  );
  return (
    <section aria-label={t('gaps:BidsTable.whatWeBidOn')}>
      <header className="stage-head">
        <h2>
          {t('gaps:BidsTable.whatWeBidOn')}{' '}
          {data.date !== null && (
            <span className="faint">
              {t('gaps:BidsTable.rowsAsOfDate', {
                rows: count(data.rows.length),
                date: spelledDay(data.date),
              })}
            </span>
          )}
        </h2>
        <Button
          size="small"
          loading={isLoading}
          title={t('gaps:BidsTable.asksTheConnectedAccountForIts')}
          onClick={() => void bring({ project, market: scope.market })}
        >
          {data.date === null ? t('gaps:BidsTable.bringOurBidsIn') : t('gaps:BidsTable.bringThemInAgain')}
        </Button>
      </header>
      {refused && <Problem error={refused} />}
      {data.date === null ? (
        <p className="soft">{t('gaps:BidsTable.notKnownYetForThisMarket')}</p>
      ) : (
        <>
          <div className="marks">
            {toggle('all', t('gaps:BidsTable.everyKeywordBidOn'), data.rows.length)}
            {toggle('never shown', t('gaps:BidsTable.noImpressionInThePeriodOf'), unseen.length)}
            {UNSEEN_REASONS.map((reason) =>
              toggle(reason, TIPS[reason], unseen.filter(({ unseen: why }) => why === reason).length),
            )}
          </div>
          {data.to === null && <p className="soft">{t('gaps:BidsTable.noOwnAdTermsAreHeld')}</p>}
          <Observe rows={rows} bids={data} />
          <Ledger
            rows={all ? rows : rows.slice(0, FEW)}
            keyOf={({ campaign, id, match }) => `${campaign}:${id}:${match}`}
            empty={t('gaps:BidsTable.nothingMatchesTheseFilters')}
            take={t('gaps:BidsTable.whatWeBidOn')}
            columns={[
              {
                head: '',
                label: t('gaps:BidsTable.inTheTray'),
                cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
              },
              {
                head: t('gaps:BidsTable.keyword'),
                cell: ({ id, text }) => <OpenKeyword id={id} text={text} />,
              },
              { head: t('gaps:BidsTable.match'), className: 'soft', cell: ({ match }) => wordOf(match) },
              {
                head: t('gaps:BidsTable.bid', { currency: data.currency }),
                tip: t('gaps:BidsTable.inCurrencyExact', { currency: data.currency }),
                figure: true,
                cell: ({ bid }) => decimal(bid, 2),
              },
              {
                head: t('gaps:BidsTable.wouldSuffice', { currency: data.currency }),
                tip: t('gaps:BidsTable.inCurrencyMedianOfTheLowest', { currency: data.currency }),
                figure: true,
                cell: (row) => <Guide row={row} />,
              },
              {
                head: t('gaps:BidsTable.volume'),
                figure: true,
                cell: ({ volume }) =>
                  volume === null ? (
                    <span className="faint">{t('gaps:BidsTable.unknown')}</span>
                  ) : (
                    count(volume)
                  ),
              },
              {
                head: t('gaps:BidsTable.impressions'),
                tip: t('gaps:BidsTable.ofOwnAdSearchTermsThat'),
                figure: true,
                cell: ({ impressions }) => (data.to === null ? UNKNOWN : count(impressions)),
              },
              {
                head: t('gaps:BidsTable.cost', { currency: data.currency }),
                tip: t('gaps:BidsTable.inCurrencyExact', { currency: data.currency }),
                figure: true,
                cell: ({ cost }) => (data.to === null ? UNKNOWN : worth(cost)),
              },
              {
                head: t('gaps:BidsTable.landingTarget'),
                tip: t('gaps:BidsTable.whetherItHoldsEveryWordOf'),
                className: 'soft',
                cell: ({ covered }) =>
                  covered === null
                    ? t('gaps:BidsTable.wordsUnknown')
                    : covered
                      ? t('gaps:BidsTable.hasAllWords')
                      : t('gaps:BidsTable.lacksWords'),
                title: ({ landing }) => landing,
              },
              {
                head: t('gaps:BidsTable.standsOut'),
                tip: t('gaps:BidsTable.whyItWasNeverShownWhere'),
                cell: ({ unseen: why }) =>
                  why === null ? '' : t('gaps:BidsTable.neverShownWhy', { why: wordOf(why) }),
              },
            ]}
          />
          {rows.length > FEW && (
            <button className="plain written" onClick={() => setAll(!all)}>
              {all
                ? t('gaps:BidsTable.showTheFirstFEW', { FEW })
                : t('gaps:BidsTable.showAllRows', { rows: count(rows.length) })}
            </button>
          )}
        </>
      )}
    </section>
  );
}

function Guide({ row: { guide } }: { row: BidRow }) {
  if (guide === null) return <span className="faint">{t('gaps:BidsTable.notObserved')}</span>;
  return (
    <span
      title={t('gaps:BidsTable.daysDaysOfKeywordsWhich', {
        days: guide.days,
        keywords: guide.keywords,
        which: guide.keywords === 1 ? t('gaps:BidsTable.keyword2') : t('gaps:BidsTable.keywords'),
      })}
    >
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
          {t('gaps:BidsTable.whatWouldSufficeIsNotKnown', { keywords: count(keywords.length) })}
          {keywords.length === MOST_OBSERVED && ` ${t('gaps:BidsTable.ofThem')}`}.{' '}
          <Button
            size="small"
            onClick={() =>
              void observe(ask)
                .unwrap()
                .then(setStarted, () => undefined)
            }
          >
            {t('gaps:BidsTable.observeGUIDEDAYSDaysOfTheir', {
              GUIDEDAYS: GUIDE_DAYS,
              units: counted(price.units, 'unit'),
            })}
          </Button>
        </span>
      )}
    </div>
  );
}
