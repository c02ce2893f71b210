import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Button } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, spelledDay } from '../../parts/words/figures';
import { usePoolChangeQuery } from '../../state/lookUpApi';
import { useScope } from '../../state/useScope';

const WORDS = { came: 'Came', went: 'Went', moved: 'Moved' } as const;

/** What came, what went and what moved against another look-up of the market. */
export function PoolChangeView({ lookUp, against }: { lookUp: LookUp; against: number }) {
  const { change } = useScope();
  const { data, error } = usePoolChangeQuery({ lookUp: lookUp.id, against });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="what changed" />;
  return (
    <section className="pool-change">
      <p>
        From {spelledDay(data.from)} to {spelledDay(data.to)}: <b>{count(data.came)}</b> came,{' '}
        <b>{count(data.went)}</b> went, {count(data.stayed)} stayed.{' '}
        <Button size="small" onClick={() => change({ view: '' })}>
          Back to the pool
        </Button>
      </p>
      <div className="pool-change-columns">
        {(['came', 'went', 'moved'] as const).map((which) => (
          <div key={which}>
            <h2>{WORDS[which]}</h2>
            <table className="ledger">
              <thead>
                <tr>
                  <th>Keyword</th>
                  <th className="figure">Volume</th>
                  <th className="figure">Best position</th>
                </tr>
              </thead>
              <tbody>
                {data.rows
                  .filter((row) => row.change === which)
                  .map((row) => (
                    <tr key={row.id}>
                      <td>{row.text}</td>
                      <td className="figure">{count(row.volume)}</td>
                      <td className="figure">
                        {which === 'moved'
                          ? `${count(row.before)} → ${count(row.after)}`
                          : count(which === 'came' ? row.after : row.before)}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </div>
        ))}
      </div>
    </section>
  );
}
