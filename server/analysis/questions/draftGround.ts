import type { Draft } from '@opsimath/contract/api/drafts';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { key } from '@opsimath/core/text/key';
import { bannedIn } from '../../data/bannedWords';
import { keywordsById } from '../../data/keywords';
import { entryOf } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { standingOf } from './draftMaterial';
import { resultPage } from '../facts/history';
import type { Workspace } from '../kept/workspace';

const MOST_FRONT = 10;

/** What a draft is written against: its keywords with their searches, words not to be used, and how the lead’s front writes. */
export async function draftGround(
  workspace: Workspace,
  projectId: number,
  scope: { market: string; date: string },
  ids: readonly number[],
): Promise<Pick<Draft, 'keywords' | 'banned' | 'front' | 'language' | 'brands'>> {
  const { comparison } = await openComparison(workspace, projectId, scope);
  const { market, sides, verdicts } = comparison;
  const texts = await keywordsById(workspace.database, ids);
  const lead = ids[0];
  const page = lead === undefined ? null : await resultPage(workspace, market.id, lead, scope.date, sides);
  return {
    language: market.language,
    brands: [...new Set(sides.own.map(({ name }) => key(name)))].filter((name) => name !== ''),
    keywords: ids.flatMap((id) => {
      const row = texts.get(id);
      if (!row) return [];
      const entry = entryOf(comparison, id);
      return [
        {
          id,
          text: row.text,
          key: row.key,
          ...standingOf(comparison, id),
          verdict: entry < 0 ? 'unjudged' : VERDICTS[verdicts[entry]!]!,
        },
      ];
    }),
    banned: [
      ...(await bannedIn(workspace.database, projectId, market)).map(({ key: phrase, level, reason }) => ({
        phrase,
        level,
        reason,
      })),
      ...sides.rivals.map(({ name }) => ({
        phrase: key(name),
        level: 'doubtful' as const,
        reason: 'a rival’s name',
      })),
    ].filter(({ phrase }) => phrase !== ''),
    front: (page?.slots ?? [])
      .filter(({ kind, position, address }) => kind === 'organic' && position !== null && address !== null)
      .slice(0, MOST_FRONT)
      .map(({ position, address, side, title, description }) => ({
        position: position!,
        address: address!,
        side,
        title: title ?? '',
        description: description ?? '',
      })),
  };
}
