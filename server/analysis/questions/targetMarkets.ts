import type { TargetMarkets } from '@opsimath/contract/api/targets';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import { keywordsById } from '../../data/keywords';
import { listMarkets } from '../../data/markets';
import { projectById } from '../../data/projects';
import { targetById } from '../../data/targets';
import { positionOf } from '../facts/positionOf';
import { newestStanding, targetFacts } from '../facts/targetFacts';
import { volumesAt } from '../../data/volumes';
import type { Workspace } from '../kept/workspace';

const MOST_ROWS = 300;

/**
 * One target in every market of its surface: positions beside each other, never averaged. A keyword is the same in two
 * markets when its key is; of a market where nobody looked for it the position is unknown. Most searched first, by the
 * market where it is searched most.
 */
export async function targetMarkets(
  workspace: Workspace,
  projectId: number,
  targetId: number,
  date: string,
): Promise<TargetMarkets> {
  const { database } = workspace;
  const { front } = (await projectById(database, projectId)).settings;
  const target = await targetById(database, projectId, targetId);
  const markets = (await listMarkets(database)).filter(({ surface }) => surface === target.surface);
  const byKey = new Map<string, { text: string; columns: number[]; volume: number | null }>();
  const inMarkets: TargetMarkets['markets'] = [];
  for (const [m, market] of markets.entries()) {
    const { days } = await targetFacts(workspace, market, target.address, date);
    const { organic } = newestStanding(days);
    const volumes = await volumesAt(database, market.id, date);
    const texts = await keywordsById(database, organic.keys());
    const ranked = [...organic.values()].filter(isRanked);
    inMarkets.push({
      code: market.code,
      placeName: market.placeName,
      languageName: market.languageName,
      keywords: ranked.length,
      inFront: ranked.filter((position) => position <= front).length,
      worst: ranked.length === 0 ? null : ranked.reduce((worst, position) => Math.max(worst, position)),
    });
    for (const [id, column] of organic) {
      const keyword = texts.get(id);
      if (!keyword) continue;
      let row = byKey.get(keyword.key);
      if (!row)
        byKey.set(
          keyword.key,
          (row = { text: keyword.text, columns: markets.map(() => UNKNOWN), volume: null }),
        );
      row.columns[m] = column;
      const volume = volumes.get(id);
      if (volume !== undefined) row.volume = Math.max(row.volume ?? 0, volume);
    }
  }
  const rows = [...byKey.values()]
    .map(({ text, columns, volume }) => {
      const ranked = columns.filter(isRanked);
      return {
        text,
        positions: columns.map(positionOf),
        volume,
        inFront: ranked.filter((position) => position <= front).length,
        worst: ranked.length === 0 ? null : Math.max(...ranked),
      };
    })
    .filter(({ worst }) => worst !== null)
    .sort((a, b) => (b.volume ?? -1) - (a.volume ?? -1) || (a.text < b.text ? -1 : 1));
  return { markets: inMarkets, total: rows.length, rows: rows.slice(0, MOST_ROWS) };
}
