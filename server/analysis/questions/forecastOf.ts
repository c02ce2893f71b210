import type { Dossier } from '@opsimath/contract/api/dossier';
import { BAND_COUNT, ABSENT_BAND, type Distribution } from '@opsimath/core/forecast/bands';
import { planFacts } from '@opsimath/core/gap/compare';
import type { Action } from '@opsimath/core/gap/action';
import { weighAll } from '@opsimath/core/plan/weigh';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import { servingOf } from '../comparison/captureFacts';
import type { Comparison } from '../comparison/comparison';
import { Foreteller, retitling, strengthening } from '../comparison/foretell';
import { CaptureReader } from '../facts/captures';
import type { Workspace } from '../kept/workspace';

/** What can be done for one keyword, side by side, each with where we would stand then (method §6a, §8). */
export async function forecastOf(
  { store }: Workspace,
  comparison: Comparison,
  i: number,
): Promise<Pick<Dossier, 'forecast' | 'alternatives'>> {
  const { columns, gaps, market, project, models, now, sides } = comparison;
  const { forecast } = models;
  const told = { horizon: forecast.horizon, fitted: forecast.fitted !== null };
  if (columns.ownOrganic[i] === UNKNOWN) return { forecast: null, alternatives: [] };
  const reader = await CaptureReader.over(store, now, sides.masks);
  const page = reader.page(comparison.keywords[i]!);
  const medians = page === null ? null : page.figures.medians.map((values) => values[page.row]!);
  const one = {
    ...comparison,
    keywords: comparison.keywords.slice(i, i + 1),
  };
  const serving = await servingOf(
    store,
    one,
    comparison.rows.slice(i, i + 1),
    columns.ownOrganic.slice(i, i + 1),
  );
  const served = serving.of(0, page, medians);
  const foreteller = new Foreteller(forecast, models.curve, project.settings.front);
  const asIs = served === null ? absent() : foreteller.standing(served);
  const after = (action: Action): Distribution => {
    const standing = served?.standing ?? null;
    const change =
      standing === null
        ? null
        : action === 'retitle' || action === 'add the words'
          ? retitling(standing)
          : action === 'strengthen'
            ? strengthening(standing)
            : null;
    if (served !== null) return change === null ? asIs : foreteller.standing(served, change);
    return action.startsWith('new')
      ? foreteller.written(serving.material.newPage(forecast.horizon), medians)
      : asIs;
  };
  const weighed = weighAll(
    planFacts(columns, i, gaps.doubling[i] === 1, market.surface),
    project.settings.efforts,
  );
  const known = (value: number): number | null => (Number.isNaN(value) ? null : value);
  return {
    forecast: { ...told, asIs: Array.from(asIs) },
    alternatives: weighed.map(({ action, clicks, cost, chance, value, effort, priority }) => ({
      action,
      clicks: known(clicks),
      cost: known(cost),
      chance: known(chance),
      value: known(value),
      effort,
      priority: known(priority),
      after: Array.from(after(action)),
    })),
  };
}

/** Nobody of ours could stand anywhere. */
function absent(): Distribution {
  const distribution = new Float64Array(BAND_COUNT);
  distribution[ABSENT_BAND] = 1;
  return distribution;
}
