import type { OwnCopy } from '@opsimath/contract/api/drafts';
import { draftCoverage, draftKeyword } from '@opsimath/core/copy/draftCoverage';
import { holdField } from '@opsimath/core/copy/heldFields';
import { isRanked } from '@opsimath/core/ranking/position';
import { key } from '@opsimath/core/text/key';
import { keywordsById } from '../../data/keywords';
import { openComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';

const MOST = 1000;
/** What ends or begins so many of the titles comes from a template. */
const TEMPLATE_SHARE = 0.3;
const SEPARATORS = /\s+[|–—:-]\s+|\s*\|\s*/;

/**
 * All our titles and descriptions, each beside the keyword that it answers for most searches: what the title lacks of it, where
 * it stands, and what a template adds to many of them. Those of most searches first.
 */
export async function ownCopy(
  workspace: Workspace,
  projectId: number,
  scope: { market: string; date: string },
): Promise<OwnCopy> {
  const { comparison } = await openComparison(workspace, projectId, scope);
  const { sides, columns, keywords, now, rows, volume, market, project } = comparison;
  const leads = new Map<number, number>();
  for (let i = 0; i < keywords.length; i++) {
    const place = now.ownPlace[rows[i]!]!;
    if (place === 0 || !isRanked(columns.ownOrganic[i]!) || columns.fit[i] === 0) continue;
    const before = leads.get(place);
    if (before === undefined || (volume[i]! || 0) > (volume[before]! || 0)) leads.set(place, i);
  }
  const texts = await keywordsById(
    workspace.database,
    [...leads.values()].map((i) => keywords[i]!),
  );
  const pages = sides.ownPlaces.filter(({ title }) => title !== '');
  const searched = (place: number): number => volume[leads.get(place) ?? -1] || 0;
  pages.sort((a, b) => searched(b.id) - searched(a.id) || (a.address < b.address ? -1 : 1));
  const templates = templateParts(pages.map(({ title }) => title));
  const names = sides.own.map(({ name }) => key(name)).filter(Boolean);
  return {
    limit: project.settings.titleLimits[market.surface],
    total: pages.length,
    templates,
    pages: pages.slice(0, MOST).map(({ id, address, title, description }) => {
      const entry = leads.get(id);
      const leading = entry === undefined ? 0 : keywords[entry]!;
      const lead = texts.get(leading);
      const told =
        lead &&
        draftCoverage(
          [holdField('title', title, market.language)],
          [draftKeyword(lead.key, 0, market.language)],
          market.language,
        );
      const plain = key(title);
      return {
        address,
        title,
        description,
        lead: lead ? { id: lead.id, text: lead.text } : null,
        volume: entry === undefined || Number.isNaN(volume[entry]!) ? null : volume[entry]!,
        leadAt: told?.leadAt ?? null,
        missing: told?.missing.map(({ word }) => word) ?? [],
        brandFirst: names.some((name) => plain.startsWith(name.split(' ')[0]!)),
        template: templates.filter((part) => title.includes(part)),
      };
    }),
  };
}

/** Parts between separators that stand in many of the titles. */
function templateParts(titles: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const title of titles)
    for (const part of new Set(
      title
        .split(SEPARATORS)
        .slice(1)
        .map((one) => one.trim()),
    ))
      if (part !== '') counts.set(part, (counts.get(part) ?? 0) + 1);
  return [...counts]
    .filter(([, count]) => count >= 3 && count >= TEMPLATE_SHARE * titles.length)
    .map(([part]) => part);
}
