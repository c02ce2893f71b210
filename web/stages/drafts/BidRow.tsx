import type { AdGroup, GroupBids, StandingBid } from '@opsimath/contract/api/adGroups';
import { matchType } from '@opsimath/contract/source/answers';
import { InputNumber, Select } from 'antd';
import { counted, decimal, spelledDay, worth } from '../../parts/words/figures';

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
          <span
            className="draft-over under"
            title="Its task in Rounds is for organic work: no bid, not in files"
          >
            organic only
          </span>
        )}
        {facts?.setApart && (
          <span
            className="draft-over under"
            title="Alone it would take over a fifth of the budget: better in an ad group of its own, or organic only"
          >
            set apart
          </span>
        )}
      </td>
      <td>
        <Select
          size="small"
          variant="borderless"
          aria-label={`Match of ${text}`}
          style={{ width: 88 }}
          value={bid.match}
          options={[bid.match, ...free].map((match) => ({ value: match, label: match }))}
          onChange={(match: Bid['match']) => onChange({ match })}
        />
      </td>
      <td className="figure">
        {guide === null ? (
          <span className="faint">not observed</span>
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
        {standing && <Standing bid={standing} onTake={(next) => onChange({ bid: next })} />}
        <InputNumber
          size="small"
          aria-label={`Bid on ${text}, ${bid.match}`}
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
              <span className="faint">unknown</span>
            ) : (
              <button className="plain written" title="Bid this" onClick={() => onChange({ bid: level.bid })}>
                {decimal(level.clicks, 1)}, {worth(level.cost)}
                <span className="soft under">
                  {level.cpc === null
                    ? 'never shown'
                    : `${decimal(level.cpc, 2)} a click, slot ${decimal(level.slot, 1)}`}
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
            <span className="soft under">bid {decimal(facts.allotted.bid, 2)}</span>
          </>
        ) : (
          <span className="faint">nothing</span>
        )}
      </td>
      <td className="no-break served-tools">
        {free[0] && (
          <button
            className="plain written soft"
            title="Bid on it in another match type too"
            onClick={() => onAdd(free[0]!)}
          >
            + {free[0]}
          </button>
        )}
        <button
          className="plain written soft"
          aria-label={`Leave ${text}, ${bid.match}, out`}
          onClick={onRemove}
        >
          out
        </button>
      </td>
    </tr>
  );
}

/** What stands in the account, what it brought, and the next small step. */
function Standing({ bid, onTake }: { bid: StandingBid; onTake: (bid: number) => void }) {
  const { next, before } = bid;
  const since = `since ${spelledDay(bid.since)}: ${counted(bid.impressions, 'impression')}, ${counted(bid.clicks, 'click')}, ${decimal(bid.cost, 2)} spent, slot ${bid.slot === null ? 'never won' : decimal(bid.slot, 1)}`;
  const earlier = before.map((one) => `${decimal(one.bid, 2)} from ${spelledDay(one.date)}`).join(', ');
  return (
    <span className="soft under" title={`${since}${earlier === '' ? '' : `; before: ${earlier}`}`}>
      {decimal(bid.bid, 2)} stands;{' '}
      {next.step === 'raise' || next.step === 'lower' ? (
        <button
          className="plain written"
          title="A tenth of the guide’s range towards the wanted slot"
          onClick={() => onTake(next.to)}
        >
          {next.step} to {decimal(next.to, 2)}
        </button>
      ) : next.step === 'wait' ? (
        `wait ${next.days} more ${next.days === 1 ? 'day' : 'days'}`
      ) : next.step === 'stay' ? (
        'leave it'
      ) : (
        'no guide'
      )}
    </span>
  );
}
