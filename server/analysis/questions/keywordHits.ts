import type { KeywordHits, keywordHitsQuery } from '@opsimath/contract/api/keywordHits';
import { GAP_KINDS } from '@opsimath/core/gap/kind';
import { key } from '@opsimath/core/text/key';
import type { z } from 'zod';
import { keywordIdsContaining, keywordsBeginningWith, keywordsById } from '../../data/keywords';
import { entryOf } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { positionOf } from '../facts/positionOf';
import type { Workspace } from '../kept/workspace';

/** Keywords that begin with what was typed are looked through up to so many. */
const MOST_BEGINNING = 2000;

/** Keywords of a scope that hold a text: the very one first, then those that begin with it, then the most searched. */
export async function keywordHits(
  workspace: Workspace,
  projectId: number,
  { text, limit, ...scope }: z.output<typeof keywordHitsQuery>,
): Promise<KeywordHits> {
  const { database } = workspace;
  const { comparison } = await openComparison(workspace, projectId, scope);
  const { market, volume } = comparison;
  const sought = key(text);
  const searched = (entry: number): number => volume[entry]! || 0;
  const byVolume = (entries: readonly number[]): number[] =>
    entries
      .filter((entry) => entry >= 0)
      .sort((one, other) => searched(other) - searched(one) || one - other)
      .slice(0, limit);
  const beginning =
    sought === '' ? [] : await keywordsBeginningWith(database, market.id, sought, MOST_BEGINNING);
  const exactId = beginning.find((keyword) => keyword.key === sought)?.id;
  const exact = exactId === undefined ? -1 : entryOf(comparison, exactId);
  const entries = new Set<number>(exact < 0 ? [] : [exact]);
  for (const entry of byVolume(beginning.map(({ id }) => entryOf(comparison, id)))) entries.add(entry);
  if (entries.size < limit) {
    const holding = [...(await keywordIdsContaining(database, market.id, text))];
    for (const entry of byVolume(holding.map((id) => entryOf(comparison, id)))) entries.add(entry);
  }
  const shown = [...entries].slice(0, limit);
  const texts = await keywordsById(
    database,
    shown.map((entry) => comparison.keywords[entry]!),
  );
  return {
    exact: exact < 0 ? null : comparison.keywords[exact]!,
    hits: shown.map((entry) => {
      const id = comparison.keywords[entry]!;
      return {
        id,
        text: texts.get(id)!.text,
        kind: GAP_KINDS[comparison.gaps.kind[entry]!]!,
        volume: Number.isNaN(volume[entry]!) ? null : volume[entry]!,
        own: positionOf(comparison.columns.ownOrganic[entry]!),
      };
    }),
  };
}
