import { type OwnQueryPage, type QuerySort, querySort } from '@opsimath/contract/api/ownQueries';
import { QUERY_GROUPS, type QueryGroup } from '@opsimath/core/performance/queryGroups';
import { Button, InputNumber } from 'antd';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { rateOf } from '@opsimath/core/rates/wilson';
import { RateWord } from '../../parts/words/RateWord';
import { count, counted, decimal, spelledDay } from '../../parts/words/figures';
import { useOwnQueriesQuery } from '../../state/standingApi';
import { searchWithView } from '../../state/scope';
import { useChangeProjectMutation } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { useShown } from '../../state/useShown';
import { FilterToggle } from '../../parts/words/FilterToggle';
import { QueryTable } from './QueryTable';
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
            ...ofPeriod(sum, page.held, page.days),
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
                ...ofPeriod(sumBefore, page.heldBefore, page.days),
                clicks: counted(sumBefore.clicks, 'click'),
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

/** What is said of either period. */
const ofPeriod = (
  { impressions, position }: Pick<OwnQueryPage['sum'], 'impressions' | 'position'>,
  held: number,
  days: number,
) => ({
  held: heldOf(held, days),
  impressions: counted(impressions, 'impression'),
  position: decimal(position, 1),
});

/** Says what is held of a period unless it is all of it. */
function heldOf(held: number, days: number): string {
  return held === days
    ? ''
    : ` ${t('gaps:OwnQueries.heldOfDaysHeld', { held: count(held), days: counted(days, 'day') })}`;
}
