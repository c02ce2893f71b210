import type { SavedPage } from '@opsimath/contract/api/imports';
import type { Side } from '@opsimath/contract/api/targets';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import { readAddress } from '@opsimath/core/text/address';
import type { Database } from '../data/storage/connection';
import { addressPlatforms, marketByCode } from '../data/markets';
import { keepPlaceRecords } from '../data/placeRecords';
import { addTarget, listTargets } from '../data/targets';
import { saveVersion } from '../data/targetVersions';
import { readFile } from '../files/readFile';
import { pagePhrases } from '../files/savedPage';
import { KnownProblem } from '../problems/problem';

/** A saved page becomes a target, or a new version of one; its own phrases are given back. */
export async function takeSavedPage(
  { database, source }: { database: Database; source: { today(): Promise<string> } },
  projectId: number,
  query: { market: string; side: Side; address: string },
  file: string,
): Promise<{ page: SavedPage; target: number }> {
  const market = await marketByCode(database, query.market);
  const { canonical, body, ...page } = await readFile('saved page', file);
  const said = query.address.trim() || canonical;
  const read = readAddress(said, await addressPlatforms(database));
  if ('reason' in read) {
    throw new KnownProblem(
      'no-address',
      said === '' ? 'The page does not say its own address.' : `“${said.slice(0, 100)}”: ${read.reason}.`,
      'Type the address that the page stands at.',
    );
  }
  const date = await source.today();
  const record: SourceFullRecord = {
    address: read.address,
    kind: read.kind,
    parent: read.address.includes('/') ? read.address.slice(0, read.address.indexOf('/')) : null,
    owner: read.address.split('/')[0]!,
    title: page.title,
    description: page.description,
    published: page.video?.published ?? null,
    updated: null,
    category: null,
    figures: {
      price: page.product?.price ?? null,
      rating: page.product?.rating ?? null,
      reviews: page.product?.reviews ?? null,
      views: page.video?.views ?? null,
      length: page.video?.seconds ?? null,
      words: page.words,
    },
    fields: { headings: page.headings.join('\n'), body },
    picture: null,
  };
  const added = await addTarget(
    database,
    projectId,
    {
      side: query.side,
      kind: read.kind,
      address: read.address,
      name: page.title || read.address,
      parent: record.parent,
      market: market.code,
    },
    record,
    date,
  );
  const target =
    added ?? (await listTargets(database, projectId)).find((entry) => entry.address === read.address)!.id;
  if (added === null) await saveVersion(database, target, record, date);
  await keepPlaceRecords(database, [record], date);
  return { page: { ...page, address: read.address, phrases: pagePhrases(page, market.language) }, target };
}
