import type { LookUp } from '@opsimath/contract/api/lookUps';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useRemovedQuery } from '../../state/siftApi';
import type { UsedRecipe } from './useRecipe';

const PAGE = 100;

/** What one sieve took, most searched first, each with one press to rescue it. */
export function Removed({ lookUp, recipe, step }: { lookUp: LookUp; recipe: UsedRecipe; step: number }) {
  const [shown, setShown] = useState(PAGE);
  const { steps, rescued } = recipe;
  const { data, error } = useRemovedQuery({
    lookUp: lookUp.id,
    query: { steps, rescued, step, limit: Math.min(500, shown) },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <p className="soft">Looking what it took…</p>;
  return (
    <section aria-label="Removed" className="removed">
      <h2>
        {count(data.total)} removed by sieve {step + 1}, most searched first
      </h2>
      <table className="ledger">
        <thead>
          <tr>
            <th>Keyword</th>
            <th className="figure">Volume</th>
            <th className="figure">Words</th>
            <th className="figure">Targets that rank</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {data.rows.map((row) => (
            <tr key={row.id}>
              <td>
                <b>{row.text}</b>
              </td>
              <td className="figure">{row.volume === null ? 'unknown' : count(row.volume)}</td>
              <td className="figure">{row.words}</td>
              <td className="figure">{row.organic.filter((position) => position !== null).length}</td>
              <td className="figure">
                <button
                  className="plain written"
                  aria-label={`Rescue ${row.text}`}
                  onClick={() => void recipe.rescue(row.id).catch(() => undefined)}
                >
                  rescue
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {data.total > data.rows.length && shown < 500 && (
        <button className="plain written" onClick={() => setShown((most) => most + PAGE)}>
          Show more
        </button>
      )}
    </section>
  );
}
