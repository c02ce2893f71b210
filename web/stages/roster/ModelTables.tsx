import type { MarketModels } from '@opsimath/contract/api/models';
import { count, decimal, percent } from '../../parts/words/figures';
import { t } from '../../words/t';

interface ModelTablesProps {
  /** What the weights are of. */
  head: string;
  weights: readonly { name: string; weight: number; error: number | null }[];
  /** In ten equal steps of what was foretold; nothing while nothing is fitted. */
  calibration: NonNullable<MarketModels['chance']['quality']>['calibration'] | null;
}

/** The weights of a model with their errors, and beside them how right it was. */
export function ModelTables({ head, weights, calibration }: ModelTablesProps) {
  return (
    <div className="models-tables">
      <table className="ledger">
        <thead>
          <tr>
            <th>{head}</th>
            <th className="figure" title={t('roster:ModelTables.onTheLogOdds')}>
              {t('roster:ModelTables.weight')}
            </th>
            <th className="figure">{t('roster:ModelTables.error')}</th>
          </tr>
        </thead>
        <tbody>
          {weights.map(({ name, weight, error }) => (
            <tr key={name}>
              <td>{name}</td>
              <td className="figure">{decimal(weight, 2)}</td>
              <td className="figure">{error ? decimal(error, 2) : '–'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {calibration && (
        <table className="ledger">
          <thead>
            <tr>
              <th>{t('roster:ModelTables.foretold')}</th>
              <th className="figure">{t('roster:ModelTables.results')}</th>
              <th className="figure">{t('roster:ModelTables.meanForetold')}</th>
              <th className="figure">{t('roster:ModelTables.wereInside')}</th>
            </tr>
          </thead>
          <tbody>
            {calibration.map(({ rows, foretold, inside }, n) => (
              <tr key={n}>
                <td>
                  {n * 10}–{n * 10 + 10}
                  {' %'}
                </td>
                <td className="figure">{count(rows)}</td>
                <td className="figure">{percent(foretold)}</td>
                <td className="figure">{percent(inside)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
