import type { MarketModels } from '@opsimath/contract/api/models';
import { count, decimal, percent } from '../../parts/words/figures';

/** Where targets will stand: what that is learnt from, and how right it has been on keywords it had not seen. */
export function ForecastModelView({
  forecast,
  setOff,
}: {
  forecast: MarketModels['forecast'];
  /** The settings want nothing fitted. */
  setOff: boolean;
}) {
  const { fitted, quality, horizon, rows, captures, leastCaptures, changes, changedRows } = forecast;
  return (
    <>
      <h3>Where a target will stand in {horizon} days</h3>
      <p className="soft">
        {fitted
          ? `Learnt from ${count(rows)} results of ${count(captures)} keywords captured twice, half to twice that apart (§6a); ${count(changedRows)} of them had changed in between.`
          : setOff
            ? 'Not fitted, as the settings want it: the stated defaults hold.'
            : `The stated defaults hold until ${leastCaptures} keywords are captured twice, about ${horizon} days apart (§6a).`}
        {quality &&
          ` On keywords it had not seen the log score is ${decimal(quality.logScore, 3)}; “it stays in its band” has ${decimal(quality.stays, 3)}, shares alone ${decimal(quality.shares, 3)} (nearer to 0 is better). Within the front: AUC ${decimal(quality.auc, 3)}, calibration error ${decimal(quality.calibrationError, 3)}.`}
        {forecast.entryFitted
          ? ' A new target is judged by all that hold a keyword’s words, the absent ones included.'
          : ' A new target comes in at the stated level.'}
      </p>
      <div className="models-tables">
        <table className="ledger">
          <thead>
            <tr>
              <th>What changes</th>
              <th className="figure" title="On the log odds of every place">
                Weight
              </th>
              <th className="figure">± error</th>
            </tr>
          </thead>
          <tbody>
            {changes.map(({ change, weight, error }) => (
              <tr key={change}>
                <td>{change}</td>
                <td className="figure">{decimal(weight, 2)}</td>
                <td className="figure">{error === null || error === 0 ? '–' : decimal(error, 2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {quality && (
          <table className="ledger">
            <thead>
              <tr>
                <th>Foretold</th>
                <th className="figure">Results</th>
                <th className="figure">Mean foretold</th>
                <th className="figure">Were inside</th>
              </tr>
            </thead>
            <tbody>
              {quality.calibration.map((bin, n) => (
                <tr key={n}>
                  <td>
                    {n * 10}–{n * 10 + 10} %
                  </td>
                  <td className="figure">{count(bin.rows)}</td>
                  <td className="figure">{bin.foretold === null ? '–' : percent(bin.foretold)}</td>
                  <td className="figure">{bin.inside === null ? '–' : percent(bin.inside)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
    </>
  );
}
