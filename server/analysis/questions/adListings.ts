import { sells } from '@opsimath/core/text/surfaces';
import type { AdGroup } from '@opsimath/contract/api/adGroups';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { type Comparison, entryOf } from '../comparison/comparison';
import { resultPage } from '../facts/history';
import type { Workspace } from '../kept/workspace';

const MOST_KEYWORDS = 12;
const MOST = 40;

/** Listings of others on the front of an ad group’s *adjacent* keywords, each once, where it stands best. */
export async function adListings(
  workspace: Workspace,
  comparison: Comparison,
  keywords: readonly { id: number; text: string }[],
): Promise<AdGroup['listings']> {
  const { market, sides, date, verdicts, project } = comparison;
  if (!sells(market.surface)) return [];
  const adjacent = keywords.filter(({ id }) => {
    const entry = entryOf(comparison, id);
    return entry >= 0 && VERDICTS[verdicts[entry]!] === 'adjacent';
  });
  const found = new Map<string, AdGroup['listings'][number]>();
  for (const { id, text } of adjacent.slice(0, MOST_KEYWORDS)) {
    const page = await resultPage(workspace, market.id, id, date, sides);
    for (const { kind, side, position, address, title } of page?.slots ?? []) {
      if (kind !== 'organic' || side === 'own' || address === null || position === null) continue;
      if (position > project.settings.front || (found.get(address)?.position ?? Infinity) <= position)
        continue;
      const reason = `position ${position} for “${text}”, which goes with what we sell`;
      found.set(address, { address, title: title ?? '', keyword: text, position, reason });
    }
  }
  return [...found.values()].sort((a, b) => a.position - b.position).slice(0, MOST);
}
