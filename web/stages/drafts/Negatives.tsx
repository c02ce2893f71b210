import type { AdGroup } from '@opsimath/contract/api/adGroups';
import { Input } from 'antd';
import { count } from '../../parts/words/figures';
import type { DraftCopy } from './useDraftCopy';
import { t } from '../../words/t';

/** What ads are not to be shown for; own terms that cost much and brought nothing are offered. */
export function Negatives({
  draft: { copy, setField },
  candidates,
  currency,
}: {
  draft: DraftCopy;
  candidates: AdGroup['negatives'];
  currency: string;
}) {
  const text = copy.fields.negatives ?? '';
  const held = new Set(text.split('\n').map((line) => line.trim()));
  const offered = candidates.filter((one) => !held.has(one.text));
  return (
    <section aria-label={t('drafts:Negatives.negatives')}>
      <h2>{t('drafts:Negatives.negatives')}</h2>
      <Input.TextArea
        aria-label={t('drafts:Negatives.negativesOneALine')}
        autoSize={{ minRows: 4, maxRows: 14 }}
        value={text}
        onChange={({ target }) => setField('negatives', target.value)}
      />
      {offered.length > 0 && <p className="soft">{t('drafts:Negatives.termsOfOurAdsThatCost')}</p>}
      {offered.slice(0, 12).map(({ text: term, cost }) => (
        <p key={term}>
          <button
            className="plain written"
            onClick={() => setField('negatives', [text.trimEnd(), term].filter(Boolean).join('\n'))}
          >
            {term}
          </button>{' '}
          <span className="soft">
            {count(Math.round(cost))} {currency}
          </span>
        </p>
      ))}
    </section>
  );
}
