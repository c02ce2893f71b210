import type { MarketModels } from '@opsimath/contract/api/models';
import { LEAST_PAIRED } from '@opsimath/core/forecast/fitForecast';
import { CHANGES } from '@opsimath/core/forecast/forecast';
import { CHANCE_FEATURES } from '@opsimath/core/gap/chance';
import { type ChanceQuality, LEAST_CAPTURES } from '@opsimath/core/gap/fitChance';
import { priorCurve } from '@opsimath/core/ranking/clickThrough';
import { marketByCode } from '../../data/markets';
import { projectById } from '../../data/projects';
import { gatherSides } from '../facts/sides';
import type { Forecast } from '../models/forecast';
import { chanceUntil, modelsUntil } from '../models/models';
import type { Workspace } from '../kept/workspace';

const POSITIONS = 100;

/** How clicks and chance are estimated in a market at a date. */
export async function marketModels(
  workspace: Workspace,
  projectId: number,
  code: string,
  date: string,
): Promise<MarketModels> {
  const market = await marketByCode(workspace.database, code);
  const { settings } = await projectById(workspace.database, projectId);
  const revisions = await workspace.revisions({ project: projectId, market: market.id });
  const sides = await gatherSides(workspace.database, projectId, market.surface);
  const { curve, buckets, curveFitted, forecast } = await modelsUntil(
    workspace,
    market,
    projectId,
    date,
    revisions,
    settings,
    sides,
  );
  const { weights, fitted } = await chanceUntil(workspace, market, date, revisions, settings);
  const prior = priorCurve(market.surface, settings.curvePrior[market.surface]);
  const sum = (column: Float64Array): number => column.reduce((all, value) => all + value, 0);
  const width = CHANCE_FEATURES.length + 1;
  return {
    curve: {
      fitted: curveFitted,
      impressions: sum(buckets.impressions),
      clicks: sum(buckets.clicks),
      points: Array.from({ length: POSITIONS }, (_, n) => ({
        position: n + 1,
        prior: prior[n + 1]!,
        used: curve[n + 1]!,
        impressions: buckets.impressions[n + 1]!,
        clicks: buckets.clicks[n + 1]!,
      })),
    },
    forecast: forecastShown(forecast),
    chance: {
      fitted: fitted !== null,
      captures: fitted?.captures ?? 0,
      leastCaptures: LEAST_CAPTURES,
      intercept: weights.intercept,
      weights: CHANCE_FEATURES.map((feature, f) => ({
        feature,
        weight: weights.weights[f]!,
        error: fitted ? Math.sqrt(Math.max(0, fitted.covariance[(f + 1) * width + f + 1]!)) : null,
      })),
      others: fitted && {
        defaults: { auc: fitted.others.against.auc, brier: fitted.others.against.brier },
        constant: { auc: fitted.others.constant.auc, brier: fitted.others.constant.brier },
      },
      quality: fitted && {
        ...fitted.quality,
        calibration: calibrationShown(fitted.quality),
      },
    },
  };
}

type Calibration = NonNullable<MarketModels['forecast']['quality']>['calibration'];

function calibrationShown({ calibration }: ChanceQuality): Calibration {
  return calibration.map(({ rows, foretold, inside }) => ({
    rows,
    foretold: rows > 0 ? foretold : null,
    inside: rows > 0 ? inside : null,
  }));
}

function forecastShown({ model, fitted, horizon, entry }: Forecast): MarketModels['forecast'] {
  const errors = fitted?.changesFit.covariance;
  return {
    fitted: fitted !== null,
    horizon,
    captures: fitted?.captures ?? 0,
    leastCaptures: LEAST_PAIRED,
    rows: fitted?.rows ?? 0,
    changedRows: fitted?.changesFit.rows ?? 0,
    priorRows: fitted && Number.isFinite(fitted.changesFit.strength) ? fitted.changesFit.strength : null,
    changes: CHANGES.map((change, n) => ({
      change,
      weight: model.changes[n]!,
      error: errors ? Math.sqrt(Math.max(0, errors[n * CHANGES.length + n]!)) : null,
    })),
    entryFitted: entry !== null,
    quality: fitted && {
      logScore: fitted.quality.logScore,
      stays: fitted.others.stays,
      shares: fitted.others.shares,
      auc: fitted.quality.front.auc,
      calibrationError: fitted.quality.front.calibrationError,
      calibration: calibrationShown(fitted.quality.front),
    },
  };
}
