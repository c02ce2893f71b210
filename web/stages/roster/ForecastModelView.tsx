import type { MarketModels } from '@opsimath/contract/api/models';
import { count, counted, decimal } from '../../parts/words/figures';
import { ModelTables } from './ModelTables';
import { ProofTable } from './ProofTable';
import { t } from '../../words/t';

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
      <h3>{t('roster:ForecastModelView.whereATargetWillStandIn', { horizon })}</h3>
      <p className="soft">
        {fitted
          ? t('roster:ForecastModelView.learntFromResultsOfKeywords', {
              results: counted(rows, 'result'),
              keywords: counted(captures, 'keyword'),
              changedRows: count(changedRows),
            })
          : setOff
            ? t('roster:ForecastModelView.notFittedAsTheSettingsWant')
            : t('roster:ForecastModelView.theStatedDefaultsHoldUntil', { leastCaptures, horizon })}
        {quality &&
          ` ${t('roster:ForecastModelView.onKeywordsItHadNotSeen', { logScore: decimal(quality.logScore, 3), stays: decimal(quality.stays, 3), shares: decimal(quality.shares, 3), auc: decimal(quality.auc, 3), calibrationError: decimal(quality.calibrationError, 3) })}`}
        {forecast.entryFitted
          ? ` ${t('roster:ForecastModelView.aNewTargetIsJudgedBy')}`
          : ` ${t('roster:ForecastModelView.aNewTargetComesInAt')}`}
      </p>
      <ModelTables
        head={t('roster:ForecastModelView.whatChanges')}
        weights={changes.map(({ change, ...rest }) => ({ name: change, ...rest }))}
        calibration={quality?.calibration ?? null}
      />
      <ProofTable />
    </>
  );
}
