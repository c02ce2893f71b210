import type { SourceMarket } from '@opsimath/contract/source/answers';
import { InputNumber, Segmented, Select, Tooltip } from 'antd';
import { spelledDay } from '../../parts/words/figures';
import { marketName } from '../../parts/words/marketName';
import { comparedWith } from '../../state/scope';
import { useScope } from '../../state/useScope';
import type { LookUpDraft, LookUpPart } from './useLookUpDraft';

const EXTENTS = [
  {
    value: 'positions',
    label: 'Positions',
    tip: 'Keyword, organic and paid position of each target. Nobody can be called absent from this alone.',
  },
  {
    value: 'metrics',
    label: '+ metrics',
    tip: 'Also search volume by month, CPC, ad competition and results count.',
  },
  {
    value: 'captures',
    label: '+ captures',
    tip: 'Also whole result pages of the most searched keywords: they show who is absent, what stands above, and the difficulty.',
  },
] as const;
const WANTS = [
  { value: 'both', label: 'organic and paid' },
  { value: 'organic', label: 'organic only' },
  { value: 'paid', label: 'paid only' },
] as const;

interface LookUpOptionsProps {
  part: LookUpPart;
  draft: LookUpDraft;
  markets: readonly SourceMarket[];
  onChange: (change: Partial<LookUpDraft>) => void;
}

/** How much is fetched, from which markets. */
export function LookUpOptions({ part, draft, markets, onChange }: LookUpOptionsProps) {
  const { scope } = useScope();
  const compare = comparedWith(scope);
  return (
    <div className="lookup-options">
      <Segmented
        size="small"
        aria-label="How much to fetch"
        value={draft.extent}
        onChange={(extent) => onChange({ extent })}
        options={EXTENTS.map(({ value, label, tip }) => ({
          value,
          label: <Tooltip title={tip}>{label}</Tooltip>,
        }))}
      />
      {draft.extent === 'captures' && (
        <label className="soft">
          Capture the{' '}
          <InputNumber
            size="small"
            aria-label="Keywords to capture"
            min={1}
            max={100_000}
            value={draft.captureMost}
            onChange={(value) => onChange({ captureMost: value ?? 1000 })}
            style={{ width: 78 }}
          />{' '}
          most searched{compare ? `, also on ${spelledDay(compare)}` : ''}
        </label>
      )}
      {part === 'targets' && (
        <div className="lookup-limits soft">
          <Select
            size="small"
            aria-label="Organic or paid"
            value={draft.want}
            options={[...WANTS]}
            popupMatchSelectWidth={false}
            onChange={(want) => onChange({ want })}
          />
          <label>
            to{' '}
            <InputNumber
              size="small"
              aria-label="Deepest position"
              min={1}
              max={100}
              value={draft.depth}
              onChange={(value) => onChange({ depth: value ?? 100 })}
              style={{ width: 58 }}
            />
          </label>
          <label>
            volume from{' '}
            <InputNumber
              size="small"
              aria-label="Least volume"
              min={0}
              value={draft.leastVolume}
              onChange={(value) => onChange({ leastVolume: value ?? 0 })}
              style={{ width: 66 }}
            />
          </label>
        </div>
      )}
      <Select
        mode="multiple"
        size="small"
        aria-label="Further markets"
        placeholder="Also in other markets"
        value={draft.markets.filter((code) => code !== scope.market)}
        options={markets
          .filter(({ code }) => code !== scope.market)
          .map((market) => ({ value: market.code, label: marketName(market) }))}
        onChange={(chosen) => onChange({ markets: chosen })}
        style={{ width: '100%' }}
      />
    </div>
  );
}
