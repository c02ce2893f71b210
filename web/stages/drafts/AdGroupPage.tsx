import { type GroupBids, keptBids } from '@opsimath/contract/api/adGroups';
import type { Draft } from '@opsimath/contract/api/drafts';
import { Button, Dropdown } from 'antd';
import { useMemo } from 'react';
import { Problem } from '../../parts/words/Problem';
import { decimal, worth } from '../../parts/words/figures';
import { useAdGroupQuery } from '../../state/draftsApi';
import { useScope } from '../../state/useScope';
import { AdListings } from './AdListings';
import { BidRow, LEVELS } from './BidRow';
import { DraftName } from './DraftName';
import { GroupLimits } from './GroupLimits';
import { GoalWords } from './GoalWords';
import { Negatives } from './Negatives';
import { useDraftCopy } from './useDraftCopy';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

type Bid = GroupBids[number];

/** An ad group: keywords by match type with bids, what these would bring, a budget split, and what is left out. */
export function AdGroupPage({ draft }: { draft: Draft }) {
  const { project, scope } = useScope();
  const written = useDraftCopy(draft);
  const { copy, change, setField, keeping } = written;
  const wanted = Number(copy.fields['wanted slot'] ?? 2) || 2;
  const budget = Number(copy.fields.budget ?? 0) || 0;
  const { data, error, isFetching } = useAdGroupQuery({
    project,
    id: copy.id,
    date: scope.date,
    budget,
    wanted,
  });
  const bids = useMemo(() => bidsOf(copy), [copy]);
  const facts = useMemo(() => new Map(data?.keywords.map((one) => [one.id, one])), [data]);
  const set = (next: readonly Bid[]): void => setField('bids', JSON.stringify(next));
  const change1 = (n: number, more: Partial<Bid>): void =>
    set(bids.map((bid, at) => (at === n ? { ...bid, ...more } : bid)));
  const expected = sumOf(data?.keywords.flatMap(({ allotted }) => allotted ?? []) ?? []);
  const currency = data?.currency ?? '';
  return (
    <div className="drafts">
      <header className="stage-head">
        <div>
          <h1 className="stage-title">
            <Told
              id="drafts:AdGroupPage.bidsBidsOnKeywordsKeywords"
              values={{ bids: bids.length, keywords: copy.keywords.length }}
              parts={{ b: <b /> }}
            />
            {budget > 0 && data && (
              <>
                {t('drafts:AdGroupPage.costOfBudgetCurrencyADay', {
                  cost: worth(expected.cost),
                  budget: worth(budget),
                  currency,
                  clicks: decimal(expected.clicks, 1),
                })}
              </>
            )}
          </h1>
          <p className="soft">
            <DraftName name={copy.name} onName={(name) => change({ name })} />
            <Told
              id="drafts:AdGroupPage.adGroupWhichEstimatedFromThe"
              values={{ which: typeof keeping === 'string' ? wordOf(keeping) : keeping.clash }}
              parts={{ span: <span role="status" /> }}
            />{' '}
            {data && <GoalWords clicks={expected.clicks} conversion={data.conversion} />}
          </p>
        </div>
        <span className="stage-tools">
          <Button
            size="small"
            disabled={budget <= 0 || !data}
            title={t('drafts:AdGroupPage.writesTheBidThatEachKeyword')}
            onClick={() =>
              set(bids.map((bid) => ({ ...bid, bid: facts.get(bid.keyword)?.allotted?.bid ?? bid.bid })))
            }
          >
            {t('drafts:AdGroupPage.takeTheSplit')}
          </Button>
          <Dropdown
            trigger={['click']}
            menu={{
              items: ['csv', 'json'].map((format) => ({
                key: format,
                label: (
                  <a href={`/api/projects/${project}/drafts/${copy.id}/file?format=${format}`}>
                    {format.toUpperCase()}
                  </a>
                ),
              })),
            }}
          >
            <Button size="small">{t('drafts:AdGroupPage.export')}</Button>
          </Dropdown>
        </span>
      </header>
      {error && <Problem error={error} />}
      <GroupLimits draft={written} currency={currency} bids={bids} />
      <div className="ad-group" aria-busy={isFetching}>
        <table className="ledger" aria-label={t('drafts:AdGroupPage.bids')}>
          <thead>
            <tr>
              <th>{t('drafts:AdGroupPage.keyword')}</th>
              <th>{t('drafts:AdGroupPage.match')}</th>
              <th className="figure" title={t('drafts:AdGroupPage.currencyAClickMedian20thTo', { currency })}>
                {t('drafts:AdGroupPage.bidGuide', { currency })}
              </th>
              <th className="figure" title={t('drafts:AdGroupPage.currencyAClick', { currency })}>
                {t('drafts:AdGroupPage.bid', { currency })}
              </th>
              {LEVELS.map((name) => (
                <th key={name} className="figure" title={t('drafts:AdGroupPage.clicksAndCostADayCost')}>
                  {t('drafts:AdGroupPage.nameClicksCost', { name: wordOf(name) })}
                </th>
              ))}
              <th className="figure">{t('drafts:AdGroupPage.ofTheBudget')}</th>
              <th aria-label={t('drafts:AdGroupPage.whatCanBeDone')} />
            </tr>
          </thead>
          <tbody>
            {bids.map((bid, n) => (
              <BidRow
                key={`${bid.keyword} ${bid.match}`}
                bid={bid}
                text={copy.keywords.find(({ id }) => id === bid.keyword)?.text ?? ''}
                facts={facts.get(bid.keyword)}
                onChange={(more) => change1(n, more)}
                onAdd={(match) => set([...bids, { ...bid, match, bid: null }])}
                onRemove={() => set(bids.filter((_, at) => at !== n))}
                taken={bids.filter(({ keyword }) => keyword === bid.keyword).map(({ match }) => match)}
              />
            ))}
          </tbody>
        </table>
        <aside className="board-side">
          <Negatives draft={written} candidates={data?.negatives ?? []} currency={currency} />
          <AdListings draft={written} candidates={data?.listings ?? []} />
        </aside>
      </div>
    </div>
  );
}

/** Bids as the draft keeps them; before any, each keyword once, exact, without a bid. */
const bidsOf = ({ fields, keywords }: Draft): GroupBids =>
  keptBids(fields) ?? keywords.map(({ id }): Bid => ({ keyword: id, match: 'exact', bid: null }));

const sumOf = (points: readonly { clicks: number; cost: number }[]): { clicks: number; cost: number } =>
  points.reduce((sum, { clicks, cost }) => ({ clicks: sum.clicks + clicks, cost: sum.cost + cost }), {
    clicks: 0,
    cost: 0,
  });
