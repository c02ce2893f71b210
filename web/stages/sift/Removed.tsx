import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Input } from 'antd';
import { useDeferredValue, useState } from 'react';
import { Ledger } from '../../parts/table/Ledger';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useRemovedQuery } from '../../state/siftApi';
import type { UsedRecipe } from './useRecipe';
import { t } from '../../words/t';

const PAGE = 100;
const MOST = 500;

/** What one sieve took, most searched first, each with one press to rescue it. */
export function Removed({ lookUp, recipe, step }: { lookUp: LookUp; recipe: UsedRecipe; step: number }) {
  const [shown, setShown] = useState(PAGE);
  const [typed, setTyped] = useState('');
  const find = useDeferredValue(typed);
  const { steps, rescued } = recipe;
  const { data, error } = useRemovedQuery({
    lookUp: lookUp.id,
    query: { steps, rescued, step, find, limit: Math.min(MOST, shown) },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <p className="soft">{t('sift:Removed.lookingWhatItTook')}</p>;
  return (
    <section aria-label={t('sift:Removed.removed')} className="removed">
      <h2>{t('sift:Removed.totalRemovedBySieveStepMost', { total: count(data.total), step: step + 1 })}</h2>
      <p>
        <Input
          size="small"
          allowClear
          aria-label={t('sift:Removed.findAmongWhatItRemoved')}
          placeholder={t('sift:Removed.findAmongThese')}
          style={{ width: 200 }}
          maxLength={200}
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
        />{' '}
        {data.rows.length > 0 && (
          <button
            className="plain written"
            title={t('sift:Removed.theyComeThroughWhateverTheSieves')}
            onClick={() => void recipe.rescue(...data.rows.map(({ id }) => id)).catch(() => undefined)}
          >
            {t('sift:Removed.rescueWhich', {
              which:
                data.rows.length < data.total
                  ? t('sift:Removed.theseRows', { rows: count(data.rows.length) })
                  : t('sift:Removed.allTotal', { total: count(data.total) }),
            })}
          </button>
        )}
      </p>
      <Ledger
        rows={data.rows}
        keyOf={({ id }) => id}
        columns={[
          { head: t('sift:Removed.keyword'), cell: ({ text }) => <b>{text}</b> },
          {
            head: t('sift:Removed.volume'),
            figure: true,
            cell: ({ volume }) => (volume === null ? t('sift:Removed.unknown') : count(volume)),
          },
          { head: t('sift:Removed.words'), figure: true, cell: ({ words }) => words },
          {
            head: t('sift:Removed.targetsThatRank'),
            figure: true,
            cell: ({ organic }) => organic.filter((position) => position !== null).length,
          },
          {
            head: '',
            figure: true,
            cell: ({ id, text }) => (
              <button
                className="plain written"
                aria-label={t('sift:Removed.rescueText', { text })}
                onClick={() => void recipe.rescue(id).catch(() => undefined)}
              >
                {t('sift:Removed.rescue')}
              </button>
            ),
          },
        ]}
      />
      {data.total > data.rows.length && shown < MOST && (
        <button className="plain written" onClick={() => setShown((most) => most + PAGE)}>
          {t('sift:Removed.showMore')}
        </button>
      )}
    </section>
  );
}
