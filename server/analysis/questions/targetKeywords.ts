import type { TargetKeywords, TargetKeywordsQuery } from '@opsimath/contract/api/targets';
import { difficulty } from '@opsimath/core/ranking/difficulty';
import { DEPTH_BANDS, UNKNOWN, depthBand, isRanked } from '@opsimath/core/ranking/position';
import { key } from '@opsimath/core/text/key';
import { keywordIdRange, keywordIds, keywordsById } from '../../data/keywords';
import { marketByCode } from '../../data/markets';
import { projectById } from '../../data/projects';
import { findSegments } from '../../data/segments/segments';
import { targetById } from '../../data/targets';
import { volumesAt } from '../../data/volumes';
import { positionOf } from '../facts/positionOf';
import { CaptureReader, newestCaptures } from '../facts/captures';
import { newestStanding, targetFacts } from '../facts/targetFacts';
import type { Workspace } from '../kept/workspace';

const MOST_ROWS = 500;

/** One target with all its keywords, most searched first, and its tags with their positions. */
export async function targetKeywords(
  workspace: Workspace,
  projectId: number,
  targetId: number,
  scope: TargetKeywordsQuery,
): Promise<TargetKeywords> {
  const { database } = workspace;
  const market = await marketByCode(database, scope.market);
  const { front } = (await projectById(database, projectId)).settings;
  const target = await targetById(database, projectId, targetId);
  const volumes = await volumesAt(database, market.id, scope.date);
  const { days, places } = await targetFacts(workspace, market, target.address, scope.date);
  const { organic, paid, holder } = newestStanding(days);
  const tagTexts = (target.record?.fields.tags ?? '').split('\n').filter((tag) => key(tag) !== '');
  const tagIds = await keywordIds(database, market.id, tagTexts);
  const isTag = new Set(tagIds.values());
  const held = [...new Set([...organic.keys(), ...paid.keys()])].filter(
    (id) => isRanked(organic.get(id) ?? UNKNOWN) || isRanked(paid.get(id) ?? UNKNOWN),
  );
  // Somebody who was looked for and not found is counted by depth, though the table of all shows only what ranks.
  const heldAt = (band: number): number[] =>
    [...organic].filter(([, position]) => depthBand(position) === band).map(([id]) => id);
  const depth = [0, 0, 0, 0, 0, 0, 0];
  let atFirst = 0;
  let inFront = 0;
  for (const position of organic.values()) {
    depth[depthBand(position)]!++;
    if (position === 1) atFirst++;
    if (isRanked(position) && position <= front) inFront++;
  }
  const atDepth = scope.band === undefined ? held : heldAt(DEPTH_BANDS.indexOf(scope.band));
  const shown = atDepth
    .sort((a, b) => (volumes.get(b) ?? -1) - (volumes.get(a) ?? -1) || a - b)
    .slice(0, MOST_ROWS);
  const texts = await keywordsById(database, shown);
  const difficulties = await difficultiesOf(workspace, market.id, scope.date, front, isTag);
  const tags = tagTexts.map((text) => {
    const id = tagIds.get(key(text)) ?? null;
    return {
      text,
      id,
      position: positionOf(id === null ? UNKNOWN : (organic.get(id) ?? UNKNOWN)),
      volume: id === null ? null : (volumes.get(id) ?? null),
      difficulty: id === null ? null : (difficulties.get(id) ?? null),
    };
  });
  const difficultyMix = [0, 0, 0, 0];
  for (const tag of tags)
    difficultyMix[tag.difficulty === null ? 3 : tag.difficulty <= 33 ? 0 : tag.difficulty <= 66 ? 1 : 2]!++;
  return {
    total: held.length,
    matched: atDepth.length,
    atFirst,
    inFront,
    depth,
    rows: shown.map((id) => ({
      id,
      text: texts.get(id)!.text,
      organic: positionOf(organic.get(id) ?? UNKNOWN),
      paid: positionOf(paid.get(id) ?? UNKNOWN),
      volume: volumes.get(id) ?? null,
      address: places.get(holder.get(id) ?? 0)?.address ?? null,
      isTag: isTag.has(id),
    })),
    tags,
    difficultyMix,
  };
}

/** Difficulty (method §6) of some keywords from their newest captures. */
async function difficultiesOf(
  { database, store }: Workspace,
  marketId: number,
  date: string,
  front: number,
  wanted: ReadonlySet<number>,
): Promise<Map<number, number>> {
  const found = new Map<number, number>();
  const range = wanted.size === 0 ? null : await keywordIdRange(database, marketId);
  if (range === null) return found;
  const segments = await findSegments(database, { marketId, kind: 'captures', until: date });
  const reader = await CaptureReader.over(store, await newestCaptures(store, segments, range));
  for (const id of wanted) {
    const page = reader.page(id);
    const value = page && difficulty(reader.results(page, front));
    if (value !== null) found.set(id, value);
  }
  return found;
}
