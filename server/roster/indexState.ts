import { SURFACE_ROWS } from '@opsimath/core/text/surfaces';
import type { SitemapAnswer } from '@opsimath/contract/api/imports';
import type { IndexOverview } from '@opsimath/contract/api/targets';
import { readAddress } from '@opsimath/core/text/address';
import type { Database } from '../data/storage/connection';
import { expectedPages, indexOverview, keepIndexStates, keepSitemap } from '../data/indexChecks';
import { addressPlatforms, marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { coveringTarget, listTargets } from '../data/targets';
import { readFile } from '../files/readFile';
import { KnownProblem } from '../problems/problem';
import { MOST_INDEXED, type SearchSource } from '../sources/searchSource';

interface Ground {
  database: Database;
  source: SearchSource;
}
const MOST_LEFT = 100;

/** Own pages that should be found, each as last checked. */
export async function indexState(
  { database }: Pick<Ground, 'database'>,
  projectId: number,
  code: string,
): Promise<IndexOverview> {
  await projectById(database, projectId);
  const market = await marketByCode(database, code);
  const expected = await expectedPages(database, projectId, [SURFACE_ROWS[market.surface].target]);
  return indexOverview(database, projectId, market.id, expected);
}

/** Asks search about every own page; an address that is not ours on that account is unknown. */
export async function checkIndex(ground: Ground, projectId: number, code: string): Promise<IndexOverview> {
  const { database, source } = ground;
  const market = await marketByCode(database, code);
  const expected = await expectedPages(database, projectId, [SURFACE_ROWS[market.surface].target]);
  for (let at = 0; at < expected.length; at += MOST_INDEXED) {
    const chunk = expected.slice(at, at + MOST_INDEXED);
    const { date, pages } = await source.indexStates({ market: code, targets: chunk });
    await keepIndexStates(database, projectId, market.id, date, pages);
  }
  return indexState(ground, projectId, code);
}

/** Own pages from a sitemap; entries that lie under no own target are given back. */
export async function takeSitemap(
  { database }: Pick<Ground, 'database'>,
  projectId: number,
  file: string,
): Promise<SitemapAnswer> {
  const own = (await listTargets(database, projectId)).filter(({ side }) => side === 'own');
  if (own.length === 0)
    throw new KnownProblem(
      'nobody-yet',
      'Nothing of ours is in the roster yet.',
      'Add our own site first, then its sitemap.',
    );
  const platforms = await addressPlatforms(database);
  const pages = new Map<string, { address: string; updated: string | null }>();
  const left: SitemapAnswer['left'] = [];
  for (const { address: text, updated } of await readFile('sitemap', file)) {
    const read = readAddress(text, platforms);
    if ('reason' in read) left.push({ text: text.slice(0, 200), reason: read.reason });
    else if (!coveringTarget(own, read.address, null))
      left.push({ text: text.slice(0, 200), reason: 'lies under none of our own targets' });
    else pages.set(read.address, { address: read.address, updated });
  }
  const added = await keepSitemap(database, projectId, [...pages.values()]);
  return { pages: pages.size, added, left: left.slice(0, MOST_LEFT) };
}
