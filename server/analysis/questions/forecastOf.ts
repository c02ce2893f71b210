import type { Dossier } from '@opsimath/contract/api/dossier';
import { type Distribution, certainAt } from '@opsimath/core/forecast/bands';
import { planFacts } from '@opsimath/core/gap/compare';
import { GAP_KINDS } from '@opsimath/core/gap/kind';
import type { Action } from '@opsimath/core/gap/action';
import { weighAll } from '@opsimath/core/plan/weigh';
import { ABSENT } from '@opsimath/core/ranking/position';
import { servingOf } from '../comparison/captureFacts';
import type { Comparison } from '../comparison/comparison';
import { CHANGE_OF, FORETOLD_OF, Foreteller } from '../comparison/foretell';
import { elsewhereOf } from '../comparison/gapRow';
import { type CapturedPage, CaptureReader, type Captures } from '../facts/captures';
import type { ColumnStore } from '../kept/columnStore';
import type { Workspace } from '../kept/workspace';

/** What can be done for one keyword, side by side, each with where we would stand then (method §6a, §8). */
export async function forecastOf(
  { store }: Workspace,
  comparison: Comparison,
  i: number,
): Promise<Pick<Dossier, 'forecast' | 'alternatives'>> {
  const { columns, gaps, market, project, models, now } = comparison;
  const { forecast } = models;
  const told = { horizon: forecast.horizon, fitted: forecast.fitted !== null };
  // As in the table: where a side is unknown, so is what anything would add.
  if (GAP_KINDS[gaps.kind[i]!] === 'unknown') return { forecast: null, alternatives: [] };
  const page = await pageOf(store, now, comparison.rows[i]!);
  const medians = page === null ? null : page.figures.medians.map((values) => values[page.row]!);
  const one = {
    ...comparison,
    keywords: comparison.keywords.slice(i, i + 1),
  };
  const serving = await servingOf(store, one, comparison.rows.slice(i, i + 1), {
    ownOrganic: columns.ownOrganic.slice(i, i + 1),
    ownTargets: columns.ownTargets.slice(i, i + 1),
  });
  const served = serving.of(0, page, medians);
  const foreteller = new Foreteller(forecast, models.curve, project.settings.front);
  const asIs = served === null ? certainAt(ABSENT) : foreteller.standing(served);
  const after = (action: Action): Distribution => {
    const foretold = FORETOLD_OF[action];
    if (foretold === undefined) return asIs;
    if (foretold === 'written')
      return foreteller.written(serving.material.newPage(forecast.horizon), medians);
    // Only where something is missing is it offered.
    return foreteller.standing(served!, CHANGE_OF[foretold](served!.standing!)!);
  };
  const givesOf = (action: Action): { what: string; points: number }[] => {
    const foretold = FORETOLD_OF[action];
    if (foretold === undefined || foretold === 'written') return [];
    return foreteller.changesOf(served!, CHANGE_OF[foretold](served!.standing!)!);
  };
  const weighed = weighAll(
    planFacts(columns, i, gaps.doubling[i] === 1, {
      surface: market.surface,
      shareMoved: project.settings.shareMoved,
    }),
    project.settings.efforts,
  );
  const known = (value: number): number | null => (Number.isNaN(value) ? null : value);
  return {
    forecast: {
      ...told,
      asIs: Array.from(asIs),
      gives: served === null ? [] : foreteller.featuresOf(served),
    },
    alternatives: weighed.map(({ action, clicks, elsewhere, cost, chance, value, effort, priority }) => ({
      action,
      clicks: known(clicks),
      elsewhere: elsewhereOf(comparison, i, action),
      elsewhereValue: elsewhere.value,
      cost: known(cost),
      chance: known(chance),
      value: known(value),
      effort,
      priority: known(priority),
      after: Array.from(after(action)),
      gives: givesOf(action),
    })),
  };
}

/** The newest page of one keyword: only the capture that it is in is read. */
async function pageOf(store: ColumnStore, now: Captures, row: number): Promise<CapturedPage | null> {
  const number = now.capture[row]! - 1;
  if (number < 0) return null;
  const reader = await CaptureReader.over(store, { ...now, captures: [now.captures[number]!] });
  return reader.pageAt(0, now.captureRow[row]!);
}
