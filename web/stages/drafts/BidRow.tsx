import type { AdGroup, GroupBids, StandingBid } from '@opsimath/contract/api/adGroups';
import { matchType } from '@opsimath/contract/source/answers';
import { InputNumber, Select } from 'antd';
import { counted, decimal, spelledDay, worth } from '../../parts/words/figures';
import { t, wordOf } from '../../words/t';

/** Where of its guide a bid could stand. */
export const LEVELS = ['low end', 'middle', 'high end'] as const;
type Bid = GroupBids[number];

interface BidRowProps {
  bid: Bid;
  text: string;
  facts: AdGroup['keywords'][number] | undefined;
  taken: readonly Bid['match'][];
  onChange: (more: Partial<Bid>) => void;
  onAdd: (match: Bid['match']) => void;
  onRemove: () => void;
}

/** One keyword in one match type: its guide, its bid, what three bids would bring, and what it gets of the budget. */
export function BidRow({ bid, text, facts, taken, onChange, onAdd, onRemove }: BidRowProps) {
  const guide = facts?.guides[bid.match] ?? null;
  const standing = facts?.standing.find(({ match }) => match === bid.match);
  const free = matchType.options.filter((match) => !taken.includes(match));
  return (
    <tr>
      <td>
        {text}
        {facts?.organicOnly && (
          <span className="draft-over under" title={t('drafts:BidRow.itsTaskInRoundsIsFor')}>
            {t('drafts:BidRow.organicOnly')}
          </span>
        )}
        {facts?.setApart && (
          <span className="draft-over under" title={t('drafts:BidRow.aloneItWouldTakeOverA')}>
            {t('drafts:BidRow.setApart')}
          </span>
        )}
      </td>
      <td>
        <Select
          size="small"
          variant="borderless"
          aria-label={t('drafts:BidRow.matchOfText', { text })}
          style={{ width: 88 }}
          value={bid.match}
          options={[bid.match, ...free].map((match) => ({ value: match, label: match }))}
          onChange={(match: Bid['match']) => onChange({ match })}
        />
      </td>
      <td className="figure">
        {guide === null ? (
          <span className="faint">{t('drafts:BidRow.notObserved')}</span>
        ) : (
          <>
            {decimal(guide.middle, 2)}
            <span className="soft under">
              {decimal(guide.low, 2)}–{decimal(guide.high, 2)}
            </span>
          </>
        )}
      </td>
      <td className="figure">
        {standing && <BidAsItStands bid={standing} onTake={(next) => onChange({ bid: next })} />}
        <InputNumber
          size="small"
          aria-label={t('drafts:BidRow.bidOnTextMatch', { text, match: wordOf(bid.match) })}
          min={0}
          max={10_000}
          step={0.05}
          style={{ width: 84 }}
          disabled={facts?.organicOnly}
          value={bid.bid}
          onChange={(next) => onChange({ bid: next })}
        />
      </td>
      {LEVELS.map((name, n) => {
        const level = facts?.levels?.[n];
        return (
          <td key={name} className="figure">
            {level === undefined ? (
              <span className="faint">{t('drafts:BidRow.unknown')}</span>
            ) : (
              <button
                className="plain written"
                title={t('drafts:BidRow.bidThis')}
                onClick={() => onChange({ bid: level.bid })}
              >
                {decimal(level.clicks, 1)}
                {', '}
                {worth(level.cost)}
                <span className="soft under">
                  {level.cpc === null
                    ? t('drafts:BidRow.neverShown')
                    : t('drafts:BidRow.cpcAClickSlotSlot', {
                        cpc: decimal(level.cpc, 2),
                        slot: decimal(level.slot, 1),
                      })}
                </span>
              </button>
            )}
          </td>
        );
      })}
      <td className="figure">
        {facts?.allotted ? (
          <>
            {worth(facts.allotted.cost)}
            <span className="soft under">
              {t('drafts:BidRow.bidBid', { bid: decimal(facts.allotted.bid, 2) })}
            </span>
          </>
        ) : (
          <span className="faint">{t('drafts:BidRow.nothing')}</span>
        )}
      </td>
      <td className="no-break served-tools">
        {free[0] && (
          <button
            className="plain written soft"
            title={t('drafts:BidRow.bidOnItInAnotherMatch')}
            onClick={() => onAdd(free[0]!)}
          >
            {'+ '}
            {wordOf(free[0])}
          </button>
        )}
        <button
          className="plain written soft"
          aria-label={t('drafts:BidRow.leaveTextMatchOut', { text, match: wordOf(bid.match) })}
          onClick={onRemove}
        >
          {t('drafts:BidRow.out')}
        </button>
      </td>
    </tr>
  );
}

/** What stands in the account, what it brought, and the next small step. */
function BidAsItStands({ bid, onTake }: { bid: StandingBid; onTake: (bid: number) => void }) {
  const { next, before } = bid;
  const since = t('drafts:BidRow.sinceSinceImpressionsClicksCost', {
    since: spelledDay(bid.since),
    impressions: counted(bid.impressions, 'impression'),
    clicks: counted(bid.clicks, 'click'),
    cost: decimal(bid.cost, 2),
    which: bid.slot === null ? t('drafts:BidRow.neverWon') : decimal(bid.slot, 1),
  });
  const earlier = before
    .map((one) => t('drafts:BidRow.bidFromDate', { bid: decimal(one.bid, 2), date: spelledDay(one.date) }))
    .join(', ');
  return (
    <span
      className="soft under"
      title={`${since}${earlier === '' ? '' : t('drafts:BidRow.beforeEarlier', { earlier })}`}
    >
      {t('drafts:BidRow.bidStands', { bid: decimal(bid.bid, 2) })}{' '}
      {next.step === 'raise' || next.step === 'lower' ? (
        <button
          className="plain written"
          title={t('drafts:BidRow.aTenthOfTheGuideS')}
          onClick={() => onTake(next.to)}
        >
          {t('drafts:BidRow.stepToTo', { step: wordOf(next.step), to: decimal(next.to, 2) })}
        </button>
      ) : next.step === 'wait' ? (
        t('drafts:BidRow.waitDaysMoreWhich', {
          days: next.days,
          which: next.days === 1 ? t('drafts:BidRow.day') : t('drafts:BidRow.days'),
        })
      ) : next.step === 'stay' ? (
        t('drafts:BidRow.leaveIt')
      ) : (
        t('drafts:BidRow.noGuide')
      )}
    </span>
  );
}
