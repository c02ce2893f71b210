import type { GroupBids } from '@opsimath/contract/api/adGroups';
import { Input, InputNumber } from 'antd';
import type { DraftCopy } from './useDraftCopy';
import { t } from '../../words/t';

interface GroupLimitsProps {
  draft: DraftCopy;
  currency: string;
  bids: GroupBids;
}

/** What an ad group may spend a day, the slot that it is to win, and where its ads lead. */
export function GroupLimits({ draft: { copy, setField }, currency, bids }: GroupLimitsProps) {
  const budget = Number(copy.fields.budget ?? 0) || 0;
  const wanted = Number(copy.fields['wanted slot'] ?? 2) || 2;
  return (
    <p className="new-draft">
      <label>
        {t('drafts:GroupLimits.budgetADayCurrency', { currency })}{' '}
        <InputNumber
          size="small"
          aria-label={t('drafts:GroupLimits.budgetADay')}
          min={0}
          max={1_000_000}
          value={budget}
          onChange={(next) => setField('budget', String(next ?? 0))}
        />
      </label>
      <label title={t('drafts:GroupLimits.stepsOfABidLeadTowards')}>
        {t('drafts:GroupLimits.wantedSlot')}{' '}
        <InputNumber
          size="small"
          aria-label={t('drafts:GroupLimits.wantedSlot')}
          min={1}
          max={20}
          precision={0}
          style={{ width: 64 }}
          value={wanted}
          onChange={(next) => setField(t('drafts:GroupLimits.wantedSlot2'), String(next ?? 2))}
        />
      </label>
      <label>
        {t('drafts:GroupLimits.landingPage')}{' '}
        <Input
          size="small"
          style={{ width: 330 }}
          value={copy.fields['landing page'] ?? copy.address}
          onChange={({ target }) => setField(t('drafts:GroupLimits.landingPage2'), target.value.trim())}
        />
      </label>
      {budget > 0 && bids.some(({ bid }) => bid !== null && bid > budget) && (
        <b className="draft-over">{t('drafts:GroupLimits.aBidIsAboveTheBudget')}</b>
      )}
    </p>
  );
}
