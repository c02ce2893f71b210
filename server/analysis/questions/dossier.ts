import type { Dossier, dossierQuery } from '@opsimath/contract/api/dossier';
import { readPeriod } from '@opsimath/core/demand/period';
import type { z } from 'zod';
import { chosenActionOf } from '../../data/chosenActions';
import { KnownProblem } from '../../problems/problem';
import { rivalColumns } from './gapPage';
import { gapRows } from '../comparison/gapRow';
import { keywordHistory, resultPage } from '../facts/history';
import type { Comparison } from '../comparison/comparison';
import { performanceOf } from '../facts/performance';
import { forecastOf } from './forecastOf';
import { sumLines } from './sumLines';
import { openComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';

const SERIES_MONTHS = 36;

/** All that is known of one keyword in a comparison. */
export async function dossier(
  workspace: Workspace,
  projectId: number,
  { own, ...scope }: z.output<typeof dossierQuery>,
  keywordId: number,
): Promise<Dossier> {
  const { comparison, revisions } = await openComparison(workspace, projectId, scope);
  const i = comparison.keywords.indexOf(keywordId);
  if (i < 0) {
    throw new KnownProblem(
      'not-in-scope',
      `Keyword ${keywordId} is not in this scope.`,
      'Choose another pool or market.',
    );
  }
  const [row] = await gapRows(workspace.database, comparison, [i]);
  const { market, sides, project } = comparison;
  return {
    row: row!,
    rivals: rivalColumns(comparison),
    own: sides.ownName,
    front: project.settings.front,
    currency: project.settings.currency,
    ...(await keywordHistory(workspace, market.id, keywordId, sides)),
    page: await resultPage(workspace, market.id, keywordId, scope.date, sides),
    ...(await forecastOf(workspace, comparison, i)),
    choice: await chosenActionOf(workspace.database, projectId, keywordId),
    sum: sumLines(comparison, i, row!),
    ...(await metricsOf(workspace, comparison, i, row!.text)),
    ...(await performanceOf(
      workspace,
      revisions,
      projectId,
      market.id,
      keywordId,
      scope.date,
      readPeriod(own)!,
    )),
  };
}

async function metricsOf(
  workspace: Workspace,
  { metrics, rows }: Comparison,
  i: number,
  text: string,
): Promise<Pick<Dossier, 'metrics' | 'metricsDate'>> {
  const row = rows[i]!;
  const number = metrics.segment[row]!;
  if (number === 0) return { metrics: null, metricsDate: null };
  const { head } = metrics.segments[number - 1]!;
  const at = metrics.row[row]!;
  const series = await workspace.store.column<Int32Array>(head.id, 'series');
  const firstMonth = (await workspace.store.column<Int32Array>(head.id, 'firstMonth'))[at]!;
  const known = (value: number): number | null => (Number.isNaN(value) ? null : value);
  return {
    metricsDate: head.date,
    metrics: {
      keyword: text,
      firstMonth: `${Math.floor(firstMonth / 12)}-${String((firstMonth % 12) + 1).padStart(2, '0')}`,
      months: Array.from(series.subarray(at * SERIES_MONTHS, (at + 1) * SERIES_MONTHS), (count) =>
        count < 0 ? null : count,
      ),
      cpcLow: known(metrics.cpcLow[row]!),
      cpcHigh: known(metrics.cpcHigh[row]!),
      adCompetition: known(metrics.adCompetition[row]!),
      results: known(metrics.results[row]!),
    },
  };
}
