import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Input } from 'antd';
import { useDeferredValue, useState } from 'react';
import { Ledger } from '../../parts/table/Ledger';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useRemovedQuery } from '../../state/siftApi';
import type { UsedRecipe } from './useRecipe';

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
  if (!data) return <p className="soft">Looking what it took…</p>;
  return (
    <section aria-label="Removed" className="removed">
      <h2>
        {count(data.total)} removed by sieve {step + 1}, most searched first
      </h2>
      <p>
        <Input
          size="small"
          allowClear
          aria-label="Find among what it removed"
          placeholder="Find among these"
          style={{ width: 200 }}
          maxLength={200}
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
        />{' '}
        {data.rows.length > 0 && (
          <button
            className="plain written"
            title="They come through whatever the sieves say; one step that can be taken back"
            onClick={() => void recipe.rescue(...data.rows.map(({ id }) => id)).catch(() => undefined)}
          >
            rescue{' '}
            {data.rows.length < data.total ? `these ${count(data.rows.length)}` : `all ${count(data.total)}`}
          </button>
        )}
      </p>
      <Ledger
        rows={data.rows}
        keyOf={({ id }) => id}
        columns={[
          { head: 'Keyword', cell: ({ text }) => <b>{text}</b> },
          {
            head: 'Volume',
            figure: true,
            cell: ({ volume }) => (volume === null ? 'unknown' : count(volume)),
          },
          { head: 'Words', figure: true, cell: ({ words }) => words },
          {
            head: 'Targets that rank',
            figure: true,
            cell: ({ organic }) => organic.filter((position) => position !== null).length,
          },
          {
            head: '',
            figure: true,
            cell: ({ id, text }) => (
              <button
                className="plain written"
                aria-label={`Rescue ${text}`}
                onClick={() => void recipe.rescue(id).catch(() => undefined)}
              >
                rescue
              </button>
            ),
          },
        ]}
      />
      {data.total > data.rows.length && shown < MOST && (
        <button className="plain written" onClick={() => setShown((most) => most + PAGE)}>
          Show more
        </button>
      )}
    </section>
  );
}
