import { type AdTermRow, type PaidQuery, termSort } from '@opsimath/contract/api/paid';
import { BALANCES, type Balance } from '@opsimath/core/ads/balance';
import { useState } from 'react';
import { Ledger, type LedgerColumn } from '../../parts/table/Ledger';
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
import { t, wordOf } from '../../words/t';

type State = NonNullable<PaidQuery['state']>;
const STATES: [State, string][] = [
  ['listed', t('gaps:AdTermsTable.inAListOfTheProject')],
  ['unlisted with clicks', t('gaps:AdTermsTable.broughtClicksAndIsInNo')],
  ['unlisted', t('gaps:AdTermsTable.inNoListNoClicks')],
  ['costly', t('gaps:AdTermsTable.costAtLeastTwiceWhatA')],
  ['no impressions', t('gaps:AdTermsTable.bidOnAndNeverShownThe')],
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
  if (!data) return <Waiting for={t('gaps:AdTermsTable.ownAdTerms')} />;
  if (data.to === null) return null;
  return (
    <section aria-label={t('gaps:AdTermsTable.ownAdSearchTerms')}>
      <header className="stage-head">
        <h2>{t('gaps:AdTermsTable.ownAdSearchTerms')}</h2>
        <FindBox name={t('gaps:AdTermsTable.findATerm')} value={find} onFind={setFind} width={170} />
      </header>
      <div className="marks">
        {STATES.map(([name, tip]) => (
          <FilterToggle
            key={name}
            name={wordOf(name)}
            tip={tip}
            count={data.counts[name]}
            on={state === name}
            onPress={() => setState(state === name ? '' : name)}
          />
        ))}
        <span className="faint">{t('gaps:AdTermsTable.conversionAndVolume')}</span>
        {BALANCES.map((name) => (
          <FilterToggle
            key={name}
            name={wordOf(name)}
            tip={t('gaps:AdTermsTable.conversionRateSmoothedTowardsThe')}
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
          {drawn !== ''
            ? t('gaps:AdTermsTable.closeThePicture')
            : t('gaps:AdTermsTable.conversionAgainstVolumeAsAPicture')}
        </button>
      )}
      {drawn !== '' && data.edges !== null && (
        <BalanceChart query={{ ...comparison, own: scope.own, ...narrowed, find }} onChoose={setFind} />
      )}
      <Ledger
        rows={data.rows}
        keyOf={({ id }) => id}
        empty={t('gaps:AdTermsTable.nothingMatchesTheseFilters')}
        take={t('gaps:AdTermsTable.ownAdSearchTerms')}
        order={{ sort, descending: true }}
        onOrder={(order) => setSort(order.sort as TermSort)}
        columns={columnsOf(data.currency, selected, select)}
      />
      {data.total > data.rows.length && limit === PAGE && (
        <button className="plain written" onClick={() => setLimit(500)}>
          {t('gaps:AdTermsTable.showMoreOfTotal', { total: count(data.total) })}
        </button>
      )}
    </section>
  );
}

function columnsOf(
  currency: string,
  selected: ReadonlySet<number>,
  select: (row: { id: number; text: string }) => void,
): LedgerColumn<AdTermRow>[] {
  return [
    {
      head: '',
      label: t('gaps:AdTermsTable.inTheTray'),
      cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => select(row)} />,
    },
    { head: t('gaps:AdTermsTable.term'), cell: ({ id, text }) => <OpenKeyword id={id} text={text} /> },
    {
      head: t('gaps:AdTermsTable.bidOn'),
      className: 'soft',
      cell: ({ bidOn, match }) => (
        <>
          {bidOn} {match !== '' && <span className="faint">{match}</span>}
        </>
      ),
    },
    {
      head: t('gaps:AdTermsTable.cost', { currency }),
      sort: 'cost',
      tip: t('gaps:AdTermsTable.inCurrencyExact', { currency }),
      figure: true,
      cell: ({ cost }) => worth(cost),
    },
    {
      head: t('gaps:AdTermsTable.impressions'),
      sort: 'impressions',
      tip: t('gaps:AdTermsTable.exact'),
      figure: true,
      cell: ({ impressions }) => count(impressions),
    },
    {
      head: t('gaps:AdTermsTable.clicks'),
      sort: 'clicks',
      tip: t('gaps:AdTermsTable.exact'),
      figure: true,
      cell: ({ clicks }) => count(clicks),
    },
    {
      head: t('gaps:AdTermsTable.cTR'),
      sort: 'ctr',
      tip: t('gaps:AdTermsTable.asCountedBesideItSmoothedTowards'),
      figure: true,
      cell: ({ ctr, shrunkCtr }) => (
        <>
          <RateWord of={ctr} />
          <span className="faint" title={t('gaps:AdTermsTable.smoothedTowardsTheAverageCTROf')}>
            {' '}
            {percent(shrunkCtr)}
          </span>
        </>
      ),
    },
    {
      head: t('gaps:AdTermsTable.conversions'),
      sort: 'conversions',
      tip: t('gaps:AdTermsTable.exact'),
      figure: true,
      cell: ({ conversions }) => decimal(conversions, 0),
      title: ({ shrunkConversion, value }) =>
        t('gaps:AdTermsTable.rateSmoothedTowardsTheAverage', {
          shrunkConversion: percent(shrunkConversion),
          worth: worth(value),
        }),
    },
    {
      head: t('gaps:AdTermsTable.organic'),
      tip: t('gaps:AdTermsTable.ourOrganicPositionInTheNewest'),
      figure: true,
      cell: ({ organic }) => <PositionWord of={organic} />,
    },
    {
      head: t('gaps:AdTermsTable.title'),
      tip: t('gaps:AdTermsTable.whetherTheLandingPageSTitle'),
      className: 'soft no-break',
      cell: ({ carried }) =>
        carried === null
          ? t('gaps:AdTermsTable.unknown')
          : carried
            ? t('gaps:AdTermsTable.hasAllWords')
            : t('gaps:AdTermsTable.lacksWords'),
      title: ({ landing }) => landing ?? undefined,
    },
    {
      head: t('gaps:AdTermsTable.standsOut'),
      tip: t('gaps:AdTermsTable.whatIsUnusualAboutIt'),
      cell: (row) => said(row),
    },
  ];
}

function said(row: AdTermRow): string {
  return [
    row.doubling ? t('gaps:AdTermsTable.doubling') : '',
    row.costly ? t('gaps:AdTermsTable.costlyWithoutConversion') : '',
    row.state === 'unlisted with clicks' ? t('gaps:AdTermsTable.candidateKeyword') : '',
    row.unseen === null ? '' : t('gaps:AdTermsTable.neverShownUnseen', { unseen: wordOf(row.unseen) }),
  ]
    .filter(Boolean)
    .join(' · ');
}
