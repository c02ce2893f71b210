import { Problem } from '../../parts/words/Problem';
import { count, counted, decimal } from '../../parts/words/figures';
import { useModelsQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';
import { CurveChart } from './CurveChart';
import { ForecastModelView } from './ForecastModelView';
import { ModelTables } from './ModelTables';
import { t } from '../../words/t';

/** How clicks and chance are estimated here: the curve beside its prior, the weights, and how right they have been. */
export function ModelsPanel() {
  const { project, scope } = useScope();
  const { market, date } = scope;
  const { data, error } = useModelsQuery({ project, market, date }, { skip: market === '' || date === '' });
  const settings = useSettings();
  if (error) return <Problem error={error} />;
  if (!data) return <p className="soft">{t('roster:ModelsPanel.fittingClicksAndTheForecast')}</p>;
  const { curve, chance, forecast } = data;
  return (
    <section className="sheet models" aria-label={t('roster:ModelsPanel.howItIsEstimated')}>
      <h2>{t('roster:ModelsPanel.howClicksAndChancesAreEstimated')}</h2>
      <p className="soft">
        {curve.fitted
          ? t('roster:ModelsPanel.clickThroughByPositionIsFitted', {
              clicks: counted(curve.clicks, 'click'),
              impressions: counted(curve.impressions, 'impression'),
            })
          : t('roster:ModelsPanel.clickThroughByPositionIsThe')}
      </p>
      <CurveChart points={curve.points} />
      <ForecastModelView forecast={forecast} setOff={settings?.chanceFitted === false} />
      <h3>{t('roster:ModelsPanel.whatAPageSFieldsAlone')}</h3>
      <p className="soft">
        {chance.fitted
          ? t('roster:ModelsPanel.fittedOnTheResultsOfCaptures', { captures: count(chance.captures) })
          : settings?.chanceFitted === false
            ? t('roster:ModelsPanel.notFittedAsTheSettingsWant')
            : t('roster:ModelsPanel.theStatedDefaultWeightsHoldUntil', {
                leastCaptures: chance.leastCaptures,
              })}
        {chance.quality &&
          ` ${t('roster:ModelsPanel.onKeywordsItHadNotSeen', { auc: decimal(chance.quality.auc, 3), brier: decimal(chance.quality.brier, 3), calibrationError: decimal(chance.quality.calibrationError, 3) })}`}
        {chance.others &&
          ` ${t('roster:ModelsPanel.theDefaultWeightsAUCAucBrier', { auc: decimal(chance.others.defaults.auc, 3), brier: decimal(chance.others.defaults.brier, 3), auc2: decimal(chance.others.constant.auc, 3), brier2: decimal(chance.others.constant.brier, 3) })}`}
      </p>
      <ModelTables
        head={t('roster:ModelsPanel.besideTheMedianOfItsPage')}
        weights={chance.weights.map(({ feature, ...rest }) => ({ name: feature, ...rest }))}
        calibration={chance.quality?.calibration ?? null}
      />
    </section>
  );
}
