import { Problem } from '../../parts/words/Problem';
import { count, counted, decimal } from '../../parts/words/figures';
import { useModelsQuery } from '../../state/gapsApi';
import { useProjectsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { CurveChart } from './CurveChart';
import { ForecastModelView } from './ForecastModelView';
import { ModelTables } from './ModelTables';

/** How clicks and chance are estimated here: the curve beside its prior, the weights, and how right they have been. */
export function ModelsPanel() {
  const { project, scope } = useScope();
  const { market, date } = scope;
  const { data, error } = useModelsQuery({ project, market, date }, { skip: market === '' || date === '' });
  const { data: projects } = useProjectsQuery();
  const settings = projects?.find(({ id }) => id === project)?.settings;
  if (error) return <Problem error={error} />;
  if (!data) return <p className="soft">Fitting clicks and the forecast…</p>;
  const { curve, chance, forecast } = data;
  return (
    <section className="sheet models" aria-label="How it is estimated">
      <h2>How clicks and chances are estimated</h2>
      <p className="soft">
        {curve.fitted
          ? `Click-through by position is fitted from own search performance: ${counted(curve.clicks, 'click')} of ${counted(curve.impressions, 'impression')}, leaning on the prior by 500 impressions a position, never rising (§3).`
          : 'Click-through by position is the prior (§3). With own search performance, brought in under Files, it is fitted.'}
      </p>
      <CurveChart points={curve.points} />
      <ForecastModelView forecast={forecast} setOff={settings?.chanceFitted === false} />
      <h3>What a page’s fields alone tell</h3>
      <p className="soft">
        {chance.fitted
          ? `Fitted on the results of ${count(chance.captures)} captures (§6).`
          : settings?.chanceFitted === false
            ? 'Not fitted, as the settings want it: the weights set there hold.'
            : `The stated default weights hold until ${chance.leastCaptures} keywords are captured (§6).`}
        {chance.quality &&
          ` On keywords it had not seen: AUC ${decimal(chance.quality.auc, 3)} (0.5 is no better than guessing), Brier score ${decimal(chance.quality.brier, 3)}, calibration error ${decimal(chance.quality.calibrationError, 3)}.`}
        {chance.others &&
          ` The default weights: AUC ${decimal(chance.others.defaults.auc, 3)}, Brier score ${decimal(chance.others.defaults.brier, 3)}; the share within the front alone: ${decimal(chance.others.constant.auc, 3)} and ${decimal(chance.others.constant.brier, 3)}.`}
      </p>
      <ModelTables
        head="Beside the median of its page"
        weights={chance.weights.map(({ feature, ...rest }) => ({ name: feature, ...rest }))}
        calibration={chance.quality?.calibration ?? null}
      />
    </section>
  );
}
