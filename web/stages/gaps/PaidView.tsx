import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { GapRow } from '@opsimath/contract/api/gaps';
import type { PaidView as Data } from '@opsimath/contract/api/paid';
import { RowLane } from '../../parts/lane/RowLane';
import '../../parts/lane/lane.css';
import { Ledger } from '../../parts/table/Ledger';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { Waiting } from '../../parts/words/Waiting';
import { SideName } from '../../parts/words/SideName';
import { Problem } from '../../parts/words/Problem';
import { count, counted, decimal, placed, spelledDay, worth } from '../../parts/words/figures';
import { useGapPageQuery } from '../../state/gapsApi';
import type { Scope } from '../../state/scope';
import { usePaidQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { AdTermsTable } from './AdTermsTable';
import { BidsTable } from './BidsTable';
import { t } from '../../words/t';

const FEW = 6;
const LANE = 290;

/** What rivals buy and we do not, where we stand above or below, what we pay for twice, and what our terms brought. */
export function PaidView({ query }: { query: GapQuery }) {
  const { project, scope, comparison } = useScope();
  const { data, error } = usePaidQuery({ project, query: { ...comparison, own: scope.own, limit: 1 } });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('gaps:PaidView.paidSlotsAndAdTerms')} />;
  return (
    <div className="gap-part paid-view">
      <PaidTitle data={data} />
      <div className="paid-columns">
        <PaidList
          title={t('gaps:PaidView.rivalsBuyWeDoNot')}
          tip={t('gaps:PaidView.paidStateUnbidHighestPriorityFirst')}
          query={{ ...query, paid: ['unbid'], sort: '-a month' }}
          narrowed={{ paid: ['unbid'], sort: '-a month' }}
          say={(row) =>
            row.worthAMonth === null
              ? t('gaps:PaidView.addsUnknown')
              : t('gaps:PaidView.addsWorthCurrency', {
                  worth: worth(row.worthAMonth),
                  currency: data.currency,
                })
          }
        />
        <PaidList
          title={t('gaps:PaidView.theyStandAboveUs')}
          tip={t('gaps:PaidView.wePayAndARivalStands')}
          query={{ ...query, paid: ['outbid'], sort: '-volume' }}
          narrowed={{ paid: ['outbid'], sort: '-volume' }}
          say={(row) =>
            t('gaps:PaidView.slotOwnPaidBestOfTheirsBest', {
              ownPaid: placed(row.ownPaid),
              best: bestOf(row),
            })
          }
        />
        <PaidList
          title={t('gaps:PaidView.paidForTwice')}
          tip={t('gaps:PaidView.doublingWePayWhileStandingAt')}
          query={{ ...query, marks: ['doubling'], sort: '-at stake' }}
          narrowed={{ marks: ['doubling'], sort: '-at stake' }}
          say={(row) =>
            row.atStake === null
              ? t('gaps:PaidView.atOwnCostUnknown', { own: placed(row.own) })
              : t('gaps:PaidView.atOwnAtStakeCurrencyAMonth', {
                  own: placed(row.own),
                  atStake: worth(row.atStake),
                  currency: data.currency,
                })
          }
        />
        <PaidList
          title={t('gaps:PaidView.paidForButNotRanking')}
          tip={t('gaps:PaidView.wePayWhereWeAreAbsent')}
          query={{
            ...query,
            paid: ['only us', 'outbid', 'top'],
            kinds: ['absent', 'buried', 'open'],
            sort: '-volume',
          }}
          narrowed={{
            paid: ['only us', 'outbid', 'top'],
            kinds: ['absent', 'buried', 'open'],
            sort: '-volume',
          }}
          say={(row) =>
            t('gaps:PaidView.ownSlotOwnPaid', { own: placed(row.own), ownPaid: placed(row.ownPaid) })
          }
        />
      </div>
      <Sides data={data} />
      <BidsTable />
      <AdTermsTable />
    </div>
  );
}

function PaidTitle({ data }: { data: Data }) {
  return (
    <div>
      <h1>
        {data.unbid.keywords === 0
          ? t('gaps:PaidView.rivalsBuyNothingThatWeDoNot')
          : t('gaps:PaidView.rivalsBuyKeywordsThatWeDoNot', {
              keywords: counted(data.unbid.keywords, 'keyword'),
              searches: count(Math.round(data.unbid.searches)),
            })}
      </h1>
      <p className="soft">
        {data.unbid.adds > 0 &&
          `${t('gaps:PaidView.theBestActionsThereAdd', { adds: worth(data.unbid.adds), currency: data.currency })} `}
        {data.doubling > 0 && `${twiceWords(data)} `}
        {t('gaps:PaidView.resultPagesWithTheirPaidSlots', {
          looked: count(data.looked),
          keywords: count(data.keywords),
          keywords2: count(data.keywords - data.looked),
        })}
      </p>
      <p className="soft">
        {data.to === null ? (
          t('gaps:PaidView.noOwnAdSearchTermsAre')
        ) : (
          <>
            {t('gaps:PaidView.ownAdsFromToToImpressions', {
              from: spelledDay(data.from!),
              to: spelledDay(data.to),
              impressions: count(data.sum.impressions),
              clicks: counted(data.sum.clicks, 'click'),
              cost: worth(data.sum.cost),
              currency: data.currency,
              conversions: decimal(data.sum.conversions, 0),
              worth: worth(data.sum.value),
              targetCost: worth(data.targetCost),
              which: data.targetCostSet
                ? ` ${t('gaps:PaidView.set')}`
                : ` ${t('gaps:PaidView.whatOneCostsNowSettingsCan')}`,
            })}
          </>
        )}
      </p>
    </div>
  );
}

/** How much is paid for twice, and what that costs as far as own ads say. */
function twiceWords(data: Data): string {
  const keywords = counted(data.doubling, 'keyword');
  return data.costKnown > 0
    ? t('gaps:PaidView.paidForTwiceForACost', {
        keywords,
        atStake: worth(data.atStake),
        currency: data.currency,
        costKnown: count(data.costKnown),
      })
    : t('gaps:PaidView.paidForTwiceCostUnknown', { keywords });
}

interface PaidListProps {
  title: string;
  tip: string;
  query: GapQuery;
  narrowed: Partial<Scope>;
  say: (row: GapRow) => string;
}

function PaidList({ title, tip, query, narrowed, say }: PaidListProps) {
  const { project, change } = useScope();
  const { data } = useGapPageQuery({ project, query: { ...query, limit: FEW } });
  return (
    <section aria-label={title}>
      <h2 title={tip}>
        {title} <span className="faint">{data ? count(data.total) : '…'}</span>
      </h2>
      <ul>
        {data?.rows.map((row) => (
          <li key={row.id}>
            <div className="paid-row">
              <OpenKeyword id={row.id} text={row.text} /> <span className="faint no-break">{say(row)}</span>
            </div>
            <RowLane
              row={row}
              own={data.own}
              rivals={data.rivals}
              front={data.front}
              width={LANE}
              height={26}
            />
          </li>
        ))}
        {data?.total === 0 && <li className="soft">{t('gaps:PaidView.nothingMatchesTheseFilters')}</li>}
      </ul>
      {data && data.total > FEW && (
        <button className="plain written" onClick={() => change({ view: '', ...narrowed })}>
          {t('gaps:PaidView.allTotalInTheTable', { total: count(data.total) })}
        </button>
      )}
    </section>
  );
}

function bestOf(row: GapRow): number | string {
  const slots = row.rivalsPaid.filter((slot) => typeof slot === 'number');
  return slots.length > 0 ? Math.min(...slots) : t('gaps:PaidView.unknown');
}

const UNKNOWN = <span className="faint">{t('gaps:PaidView.unknown')}</span>;
const known = (value: number | null): React.ReactNode => (value === null ? UNKNOWN : count(value));

/** Paid against organic keywords of every side; the usual guide is one paid for every two organic ones. */
function Sides({ data }: { data: Data }) {
  return (
    <section>
      <h2 title={t('gaps:PaidView.ofTheKeywordsComparedThoseWith')}>
        {t('gaps:PaidView.paidAgainstOrganicKeywords')}
      </h2>
      <Ledger
        className="paid-sides"
        take={t('gaps:PaidView.paidAgainstOrganic')}
        rows={data.sides}
        keyOf={({ name }) => name}
        columns={[
          { head: t('gaps:PaidView.side'), cell: (side) => <SideName side={side} /> },
          { head: t('gaps:PaidView.organic'), figure: true, cell: ({ organic }) => known(organic) },
          { head: t('gaps:PaidView.paid'), figure: true, cell: ({ paid }) => known(paid) },
          {
            head: t('gaps:PaidView.organicToOnePaid'),
            figure: true,
            cell: ({ organic, paid }) =>
              organic === null || paid === null
                ? UNKNOWN
                : paid > 0
                  ? decimal(organic / paid, 1)
                  : t('gaps:PaidView.nonePaid'),
          },
          {
            head: t('gaps:PaidView.paidMissing'),
            tip: t('gaps:PaidView.paidKeywordsShortOfOneFor', { guide: decimal(data.guide, 1) }),
            figure: true,
            cell: ({ missing }) => known(missing),
          },
        ]}
      />
    </section>
  );
}
