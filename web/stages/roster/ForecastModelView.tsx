import type { MarketModels } from '@opsimath/contract/api/models';
import { count, counted, decimal } from '../../parts/words/figures';
import { ModelTables } from './ModelTables';
import { ProofTable } from './ProofTable';

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
          ? `Learnt from ${counted(rows, 'result')} of ${counted(captures, 'keyword')} captured twice, half to twice that apart (§6a); ${count(changedRows)} of them had changed in between.`
          : setOff
            ? 'Not fitted, as the settings want it: the stated defaults hold.'
            : `The stated defaults hold until ${leastCaptures} keywords are captured twice, about ${horizon} days apart (§6a).`}
        {quality &&
          ` On keywords it had not seen the log score is ${decimal(quality.logScore, 3)}; “it stays in its band” has ${decimal(quality.stays, 3)}, shares alone ${decimal(quality.shares, 3)} (nearer to 0 is better). Within the front: AUC ${decimal(quality.auc, 3)}, calibration error ${decimal(quality.calibrationError, 3)}.`}
        {forecast.entryFitted
          ? ' A new target is judged by all that hold a keyword’s words, the absent ones included.'
          : ' A new target comes in at the stated level.'}
      </p>
      <ModelTables
        head="What changes"
        weights={changes.map(({ change, ...rest }) => ({ name: change, ...rest }))}
        calibration={quality?.calibration ?? null}
      />
      <ProofTable />
    </>
  );
}
