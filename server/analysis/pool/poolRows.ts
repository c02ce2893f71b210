import { FOUND_BY } from '@opsimath/contract/api/foundBy';
import { type PoolPage, type PoolRow } from '@opsimath/contract/api/pool';
import { ABSENT } from '@opsimath/core/ranking/position';
import { key, words } from '@opsimath/core/text/key';
import { isSpellingVariant } from '@opsimath/core/text/variants';
import { keywordsById } from '../../data/keywords';
import { TREND_WORDS } from '../../data/segments/metricsColumns';
import { placesById } from '../../data/places';
import { standingBeside } from './standingBeside';
import { bannedPhrases } from './bannedPhrases';
import type { NamedPool, Pool } from './pool';
import { poolFigures } from './poolFigures';
import { volumeRangeOf } from '../facts/metrics';
import type { Workspace } from '../kept/workspace';

const MONTHS_SHOWN = 12;
const SERIES_MONTHS = 36;
const NO_PEAK = 255;

/** Rows of pool indices with their texts. */
export function poolRows(
  workspace: Workspace,
  named: NamedPool,
  indices: readonly number[],
): Promise<PoolRow[]> {
  return rowsOf(
    workspace,
    named,
    indices.map((i) => ({ id: named.pool.ids[i]!, i })),
  );
}

/** Rows of seed keywords, whether they are in the pool or not, each with a spelling that is typed far more often. */
export async function seedRows(
  workspace: Workspace,
  named: NamedPool,
  ids: readonly number[],
): Promise<PoolPage['seeds']> {
  const { pool } = named;
  const rows = await rowsOf(
    workspace,
    named,
    ids.map((id) => ({ id, i: pool.indexOf[id - pool.base] ?? -1 })),
  );
  const texts = await keywordsById(workspace.database, pool.spellings);
  const known = [...texts.values()].map((entry) => ({
    ...entry,
    volume: pool.metrics.volume[entry.id - pool.base]!,
  }));
  return rows.map((row) => {
    const oftener = known
      .filter(({ key: other, volume }) => isSpellingVariant(key(row.text), other, row.volume ?? 0, volume))
      .sort((a, b) => b.volume - a.volume)[0];
    return { ...row, oftener: oftener ? { text: oftener.text, volume: oftener.volume } : null };
  });
}

async function rowsOf(
  workspace: Workspace,
  named: NamedPool,
  entries: readonly { id: number; i: number }[],
): Promise<PoolRow[]> {
  const { database } = workspace;
  const { pool } = named;
  const texts = await keywordsById(
    database,
    entries.map(({ id }) => id),
  );
  const banned = await bannedPhrases(workspace, named);
  const pages = await placesById(
    database,
    new Set(entries.flatMap(({ i }) => (i < 0 ? [] : [pool.page[i]!]))),
  );
  const standing = await standingBeside(workspace, pool);
  const clicks = poolFigures(pool, 'clicks');
  const series = await seriesOf(workspace, pool);
  const known = (value: number | undefined): number | null =>
    value === undefined || Number.isNaN(value) ? null : value;
  return entries.map(({ id, i }) => {
    const at = id - pool.base;
    const { metrics } = pool;
    const { text, key: identity } = texts.get(id)!;
    const number = metrics.segment[at] ?? 0;
    const row = metrics.row[at] ?? 0;
    const months = number === 0 ? null : series[number - 1]!;
    const bits = i < 0 ? 0 : pool.found[i]!;
    const padded = ` ${identity} `;
    const source = metrics.source[at] ?? 0;
    const peak = months?.peak?.[row] ?? NO_PEAK;
    const trend = TREND_WORDS[months?.trendWord?.[row] ?? 0]!;
    return {
      id,
      text,
      volume: known(metrics.volume[at]),
      volumeRange: volumeRangeOf(metrics, at),
      volumeBorrowed: pool.borrowed.has(id),
      volumeMonths: months?.volumeMonths[row] ?? 0,
      months:
        months === null
          ? []
          : Array.from(
              months.series.subarray((row + 1) * SERIES_MONTHS - MONTHS_SHOWN, (row + 1) * SERIES_MONTHS),
              (count) => (count < 0 ? null : count),
            ),
      peak: peak === NO_PEAK ? null : peak,
      trend: trend === '' ? null : trend,
      trendSlope: known(months?.trend?.[row]),
      cpcLow: known(metrics.cpcLow[at]),
      cpcHigh: known(metrics.cpcHigh[at]),
      adCompetition: known(metrics.adCompetition[at]),
      difficulty: i < 0 || pool.difficulty[i]! < 0 ? null : pool.difficulty[i]!,
      results: known(metrics.results[at]),
      words: words(identity).length,
      metricsDate: source === 0 ? null : metrics.heads[source - 1]!.date,
      organic: pool.organic.map((column) => (i < 0 ? null : column[i]! || null)),
      paid: pool.paid.map((column) => (i < 0 ? null : column[i]! || null)),
      captured: pool.captured.map((column) =>
        i < 0 || column[i] === 0 ? null : column[i] === ABSENT ? ('absent' as const) : column[i]!,
      ),
      page: i < 0 ? null : (pages.get(pool.page[i]!)?.address ?? null),
      standing: standing?.(id) ?? null,
      found: FOUND_BY.filter((_, by) => (bits & (1 << by)) !== 0),
      from: i < 0 ? [] : pool.origins.filter((_, at) => (pool.from[i]! & (1 << at)) !== 0),
      appearances: i < 0 ? null : pool.appearances[i]! || null,
      uses: i < 0 ? null : pool.uses[i]! || null,
      clicks: i < 0 ? null : known(clicks[i]),
      banned: banned
        .filter(({ phrase }) => padded.includes(` ${phrase} `))
        .map(({ word, phrase, otherwise }) => ({
          text: word.text,
          level: word.level,
          reason: word.reason,
          spelled: otherwise ? phrase : null,
        })),
    };
  });
}

/** Series and what was worked out of them, by metrics segment. */
async function seriesOf({ store }: Workspace, { metrics }: Pool) {
  return Promise.all(
    metrics.segments.map(async ({ head, trend, peak }) => ({
      series: await store.column<Int32Array>(head.id, 'series'),
      volumeMonths: await store.column<Uint8Array>(head.id, 'volumeMonths'),
      trend,
      peak,
      trendWord: await store.columnIfAny<Uint8Array>(head.id, 'trendWord'),
    })),
  );
}
