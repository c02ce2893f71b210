import type { SourceMarket } from '@opsimath/contract/source/answers';
import { InputNumber, Segmented, Select, Tooltip } from 'antd';
import { spelledDay } from '../../parts/words/figures';
import { marketName } from '../../parts/words/marketName';
import { comparedWith } from '../../state/scope';
import { useScope } from '../../state/useScope';
import type { LookUpDraft, LookUpPart } from './useLookUpDraft';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const EXTENTS = [
  {
    value: 'positions',
    label: t('lookup:LookUpOptions.positions'),
    tip: t('lookup:LookUpOptions.keywordOrganicAndPaidPositionOf'),
  },
  {
    value: 'metrics',
    label: t('lookup:LookUpOptions.metrics'),
    tip: t('lookup:LookUpOptions.alsoSearchVolumeByMonthCPC'),
  },
  {
    value: 'captures',
    label: t('lookup:LookUpOptions.captures'),
    tip: t('lookup:LookUpOptions.alsoWholeResultPagesOfThe'),
  },
] as const;
const WANTS = [
  { value: 'both', label: t('lookup:LookUpOptions.organicAndPaid') },
  { value: 'organic', label: t('lookup:LookUpOptions.organicOnly') },
  { value: 'paid', label: t('lookup:LookUpOptions.paidOnly') },
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
        aria-label={t('lookup:LookUpOptions.howMuchToFetch')}
        value={draft.extent}
        onChange={(extent) => onChange({ extent })}
        options={EXTENTS.map(({ value, label, tip }) => ({
          value,
          label: <Tooltip title={tip}>{label}</Tooltip>,
        }))}
      />
      {draft.extent === 'captures' && (
        <label className="soft">
          <Told
            id="lookup:LookUpOptions.captureTheMostSearchedWhich"
            values={{
              which: compare ? t('lookup:LookUpOptions.alsoOnCompare', { compare: spelledDay(compare) }) : '',
            }}
            parts={{
              inputNumber: (
                <InputNumber
                  size="small"
                  aria-label={t('lookup:LookUpOptions.keywordsToCapture')}
                  min={1}
                  max={100_000}
                  value={draft.captureMost}
                  onChange={(value) => onChange({ captureMost: value ?? 1000 })}
                  style={{ width: 78 }}
                />
              ),
            }}
          />
        </label>
      )}
      {part === 'targets' && (
        <div className="lookup-limits soft">
          <Select
            size="small"
            aria-label={t('lookup:LookUpOptions.organicOrPaid')}
            value={draft.want}
            options={[...WANTS]}
            popupMatchSelectWidth={false}
            onChange={(want) => onChange({ want })}
          />
          <label>
            {t('lookup:LookUpOptions.to')}{' '}
            <InputNumber
              size="small"
              aria-label={t('lookup:LookUpOptions.deepestPosition')}
              min={1}
              max={100}
              value={draft.depth}
              onChange={(value) => onChange({ depth: value ?? 100 })}
              style={{ width: 58 }}
            />
          </label>
          <label>
            {t('lookup:LookUpOptions.volumeFrom')}{' '}
            <InputNumber
              size="small"
              aria-label={t('lookup:LookUpOptions.leastVolume')}
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
        aria-label={t('lookup:LookUpOptions.furtherMarkets')}
        placeholder={t('lookup:LookUpOptions.alsoInOtherMarkets')}
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
