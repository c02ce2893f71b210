import { indexNewKeywords } from '../data/keywordWords';
import { lookUpById } from '../data/lookUps';
import { setPoolSize, spendStatement } from '../data/lookUpSteps';
import { marketById } from '../data/markets';
import { poolKeywords } from '../data/pools';
import { mergeSmallSegments } from '../data/segments/merge';
import { volumesAt } from '../data/volumes';
import { KnownProblem } from '../problems/problem';
import type { JobContext } from './steps/context';
import { fetchMetrics } from './steps/fetchMetrics';
import { findKeywords } from './findKeywords';
import { nameWithoutFigures } from './withoutFigures';
import { takeCaptures } from './steps/takeCaptures';
import { walkTargets } from './steps/walkTargets';

/** A look-up: rows of every target and what is found from seeds, then metrics, then captures, as far as was asked for. */
export async function runLookUp(context: JobContext): Promise<string | null> {
  const { database } = context;
  const lookUp = await lookUpById(database, Number(context.request.lookUpId));
  const market = await marketById(database, lookUp.marketId);
  const spend = (units: number) => spendStatement(lookUp.id, units);
  const { date, compareDate, extent, captureMost } = lookUp.request;
  try {
    const missing = await walkTargets(context, lookUp, market);
    await mergeSmallSegments(database, { marketId: market.id, kind: 'rankings', date, lookUpId: lookUp.id });
    missing.push(...(await findKeywords(context, lookUp, market)));
    const pool = await poolKeywords(database, lookUp.id);
    await setPoolSize(database, lookUp.id, pool.length);
    if (extent !== 'positions') {
      await fetchMetrics(context, market, date, Array.from(pool), spend);
      await mergeSmallSegments(database, { marketId: market.id, kind: 'metrics', date });
      await nameWithoutFigures(context, lookUp, market);
    }
    if (extent === 'captures') {
      const volumes = await volumesAt(database, market.id, date);
      const most = Array.from(pool)
        .sort((a, b) => (volumes.get(b) ?? -1) - (volumes.get(a) ?? -1) || a - b)
        .slice(0, captureMost)
        .sort((a, b) => a - b);
      for (const day of compareDate === null ? [date] : [date, compareDate]) {
        await takeCaptures(context, market, day, most, spend);
        await mergeSmallSegments(database, { marketId: market.id, kind: 'captures', date: day });
      }
    }
    if (missing.length > 0) {
      throw new KnownProblem(
        'parts-missing',
        `Missing: ${missing.join('; ')}.`,
        'Everything else is there. Go on to fetch just these.',
      );
    }
    return null;
  } finally {
    const pool = await poolKeywords(database, lookUp.id);
    await setPoolSize(database, lookUp.id, pool.length);
    await indexNewKeywords(database);
  }
}
