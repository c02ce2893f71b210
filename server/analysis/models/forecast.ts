import type { ProjectSettings } from '@opsimath/contract/api/projects';
import type { FittedForecast } from '@opsimath/core/forecast/fitForecast';
import { type ForecastModel, defaultForecast } from '@opsimath/core/forecast/forecast';
import type { FittedLogit } from '@opsimath/core/forecast/orderedLogit';
import type { Revisions } from '../../data/grounds';
import type { MarketRow } from '../../data/markets';
import type { Sides } from '../facts/sides';
import type { Workspace } from '../kept/workspace';
import { entryRows } from './entryRows';
import { forecastRows } from './forecastRows';
import { inFitWorker } from './inFitWorker';

/** Where targets will stand, as it was fitted, or the stated defaults for want of material. */
export interface Forecast {
  model: ForecastModel;
  /** Days ahead. */
  horizon: number;
  /** `null` while the stated defaults hold. */
  fitted: FittedForecast | null;
  entry: FittedLogit | null;
}

/** The forecast of method §6a, from the captures held on or before a date. */
export async function forecastUntil(
  workspace: Workspace,
  market: MarketRow,
  projectId: number,
  date: string,
  revisions: Revisions,
  { front, chanceFitted, chanceWeights, horizons }: ProjectSettings,
  sides: Sides,
): Promise<Forecast> {
  const horizon = horizons[market.surface];
  const defaults = defaultForecast(chanceWeights);
  if (!chanceFitted) return { model: defaults, horizon, fitted: null, entry: null };
  const { fitted } = await workspace.keep(
    'forecast',
    revisions,
    [market.id, date, horizon, front],
    async () => {
      const rows = await forecastRows(workspace, market, date, horizon);
      return { fitted: await inFitWorker('forecast', { rows, front }) };
    },
  );
  const { entry } = await workspace.keep('entry', revisions, [market.id, projectId, date], async () => ({
    entry: await inFitWorker('entry', await entryRows(workspace, market, date, sides)),
  }));
  return {
    model: {
      standing: fitted?.standing ?? defaults.standing,
      changes: fitted?.changes ?? defaults.changes,
      spread: fitted?.spread ?? defaults.spread,
      entry: entry ?? defaults.entry,
    },
    horizon,
    fitted,
    entry,
  };
}
