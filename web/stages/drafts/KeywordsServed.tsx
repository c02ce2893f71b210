import type { Draft, DraftChange } from '@opsimath/contract/api/drafts';
import { memo } from 'react';
import { count } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import type { DraftFacts } from './useDraftFacts';
import { t, wordOf } from '../../words/t';

interface KeywordsServedProps {
  draft: Draft;
  facts: DraftFacts;
  onChange: (change: Omit<DraftChange, 'revision' | 'person'>) => void;
}

/** Its keywords with how the copy holds each; the first leads. */
export const KeywordsServed = memo(function KeywordsServed({ draft, facts, onChange }: KeywordsServedProps) {
  const { change } = useScope();
  const { coverage } = facts;
  const set = (keywords: Draft['keywords']): void => onChange({ keywords: keywords.map(({ id }) => id) });
  return (
    <>
      <p className="soft">
        {t('drafts:KeywordsServed.coveredOfVolumeSearchesAMonth', {
          covered: count(Math.round(coverage.covered)),
          volume: count(Math.round(coverage.volume)),
        })}
        {coverage.leadAt !== null &&
          ` ${t('drafts:KeywordsServed.theLeadBeginsAtWordLeadAt', { leadAt: coverage.leadAt })}`}
      </p>
      <table className="ledger" aria-label={t('drafts:KeywordsServed.keywordsServed')}>
        <tbody>
          {draft.keywords.map((keyword, n) => {
            const told = coverage.keywords[n];
            return (
              <tr key={keyword.id}>
                <td>
                  <button className="plain" onClick={() => change({ open: keyword.id })}>
                    {n === 0 ? <b>{keyword.text}</b> : keyword.text}
                  </button>
                </td>
                <td className="figure">
                  {keyword.volume === null ? t('drafts:KeywordsServed.unknown') : count(keyword.volume)}
                </td>
                <td title={told?.places.join(', ')}>
                  {told && wordOf(told.coverage)}
                  {told !== undefined &&
                    told.coverage !== 'none' &&
                    !told.isTyped &&
                    told.missing.length === 0 && (
                      <span className="soft under">{t('drafts:KeywordsServed.otherForm')}</span>
                    )}
                  {told !== undefined && told.missing.length > 0 && (
                    <span className="soft under">
                      {t('drafts:KeywordsServed.lacksMissing', { missing: told.missing.join(', ') })}
                    </span>
                  )}
                </td>
                <td className="no-break served-tools">
                  {n > 0 && (
                    <button
                      className="plain written soft"
                      title={t('drafts:KeywordsServed.itLeads')}
                      onClick={() => set([keyword, ...draft.keywords.filter((one) => one !== keyword)])}
                    >
                      {t('drafts:KeywordsServed.lead')}
                    </button>
                  )}{' '}
                  <button
                    className="plain written soft"
                    aria-label={t('drafts:KeywordsServed.leaveTextOut', { text: keyword.text })}
                    onClick={() => set(draft.keywords.filter((one) => one !== keyword))}
                  >
                    {t('drafts:KeywordsServed.out')}
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
});
