import type { Draft, DraftChange } from '@opsimath/contract/api/drafts';
import { memo } from 'react';
import { count } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import type { DraftFacts } from './useDraftFacts';

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
        {count(Math.round(coverage.covered))} of {count(Math.round(coverage.volume))} searches a month have
        all their words in the copy.
        {coverage.leadAt !== null && ` The lead begins at word ${coverage.leadAt} of the title.`}
      </p>
      <table className="ledger" aria-label="Keywords served">
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
                <td className="figure">{keyword.volume === null ? 'unknown' : count(keyword.volume)}</td>
                <td title={told?.places.join(', ')}>
                  {told?.coverage}
                  {told !== undefined &&
                    told.coverage !== 'none' &&
                    !told.isTyped &&
                    told.missing.length === 0 && <span className="soft under">other form</span>}
                  {told !== undefined && told.missing.length > 0 && (
                    <span className="soft under">lacks {told.missing.join(', ')}</span>
                  )}
                </td>
                <td className="no-break served-tools">
                  {n > 0 && (
                    <button
                      className="plain written soft"
                      title="It leads"
                      onClick={() => set([keyword, ...draft.keywords.filter((one) => one !== keyword)])}
                    >
                      lead
                    </button>
                  )}{' '}
                  <button
                    className="plain written soft"
                    aria-label={`Leave ${keyword.text} out`}
                    onClick={() => set(draft.keywords.filter((one) => one !== keyword))}
                  >
                    out
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
