import type { SourceFullRecord, SourceRecord } from '@opsimath/contract/source/answers';
import { isoDay } from '../day';
import type { WorldDocument } from '../world/documents';
import type { Owner } from '../world/owners';
import type { MarketWorld, World } from '../world/world';
import { lastRevision } from './ranker';

/** The public record of a document on a day, as a result page shows it. */
export function recordOf(world: World, document: WorldDocument, day: number): SourceRecord {
  const owner = world.owners[document.owner]!;
  const updated = lastRevision(document.revisions, day);
  const share = 2 ** ((document.authority - owner.authority) / 10) / Math.max(8, owner.pages / 3);
  return {
    address: document.address,
    kind: document.kind,
    parent: owner.host,
    owner: owner.name,
    title: document.fields.title!,
    description: document.fields.description!,
    published: isoDay(document.revisions[0]!),
    updated: updated === null ? null : isoDay(updated),
    figures: {
      authority: document.authority,
      'referring domains': Math.round(owner.referringDomains * share),
      backlinks: Math.round(owner.backlinks * share),
    },
  };
}

export function fullRecordOf(world: World, document: WorldDocument, day: number): SourceFullRecord {
  const { title: _title, description: _description, ...fields } = document.fields;
  return { ...recordOf(world, document, day), fields };
}

/** The public record of a whole site: its home page's words with the owner's figures. */
export function siteRecordOf(world: World, market: MarketWorld, owner: Owner, day: number): SourceFullRecord {
  const index = world.owners.indexOf(owner);
  const pages = market.documents.filter(
    (document) => document.owner === index && document.revisions[0]! <= day,
  );
  const home = pages.find((document) => document.genre === 'home');
  const first = pages.reduce((least, document) => Math.min(least, document.revisions[0]!), day);
  const last = pages.reduce(
    (most, document) => Math.max(most, lastRevision(document.revisions, day) ?? 0),
    0,
  );
  return {
    address: owner.host,
    kind: 'site',
    parent: null,
    owner: owner.name,
    title: home?.fields.title ?? owner.name,
    description: home?.fields.description ?? '',
    published: pages.length > 0 ? isoDay(first) : null,
    updated: pages.length > 0 ? isoDay(last) : null,
    figures: {
      authority: owner.authority,
      'referring domains': owner.referringDomains,
      backlinks: owner.backlinks,
      'share of poor links': owner.poorLinks,
      pages: pages.length,
    },
    fields: {},
  };
}
