import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Button } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, spelledDay } from '../../parts/words/figures';
import { usePoolChangeQuery } from '../../state/lookUpApi';
import { useScope } from '../../state/useScope';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const WORDS = {
  came: t('lookup:PoolChangeView.came'),
  went: t('lookup:PoolChangeView.went'),
  moved: t('lookup:PoolChangeView.moved'),
} as const;

/** What came, what went and what moved against another look-up of the market. */
export function PoolChangeView({ lookUp, against }: { lookUp: LookUp; against: number }) {
  const { change } = useScope();
  const { data, error } = usePoolChangeQuery({ lookUp: lookUp.id, against });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('lookup:PoolChangeView.whatChanged')} />;
  return (
    <section className="pool-change">
      <p>
        <Told
          id="lookup:PoolChangeView.fromFromToToCameCame"
          values={{
            from: spelledDay(data.from),
            to: spelledDay(data.to),
            came: count(data.came),
            went: count(data.went),
            stayed: count(data.stayed),
          }}
          parts={{ b: <b />, b2: <b /> }}
        />{' '}
        <Button size="small" onClick={() => change({ view: '' })}>
          {t('lookup:PoolChangeView.backToThePool')}
        </Button>
      </p>
      <div className="pool-change-columns">
        {(['came', 'went', 'moved'] as const).map((which) => (
          <div key={which}>
            <h2>{WORDS[which]}</h2>
            <table className="ledger">
              <thead>
                <tr>
                  <th>{t('lookup:PoolChangeView.keyword')}</th>
                  <th className="figure">{t('lookup:PoolChangeView.volume')}</th>
                  <th className="figure">{t('lookup:PoolChangeView.bestPosition')}</th>
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
