import type { SourceFullRecord, SourceRecord } from '@opsimath/contract/source/answers';
import { isoDay } from '../day';
import type { WorldDocument } from '../world/document';
import { standsOn } from '../world/history';
import type { Owner } from '../world/owners';
import type { ScenarioMarket } from '../world/scenario';
import type { World } from '../world/world';
import type { Figures } from './figures';
import type { OpenMarket } from './market';
import { pictureOf } from './pictures';
import { lastRevision } from './ranker';

/** Fields that only the owner sees. */
const PRIVATE = ['hidden'];

/** The public record of a document on a day, as a result page shows it. */
export function recordOf(
  world: World,
  market: ScenarioMarket,
  figures: Figures,
  document: WorldDocument,
  day: number,
): SourceRecord {
  const owner = world.owners[document.owner]!;
  const updated = lastRevision(document.revisions, day);
  return {
    address: document.address,
    kind: document.kind,
    parent: owner.address,
    owner: owner.name,
    title: document.fields.title!,
    description: document.fields.description!,
    published: isoDay(document.revisions[0]!),
    updated: updated === null ? null : isoDay(updated),
    category: document.category,
    figures: {
      authority: document.authority,
      ...linksOf(document, owner),
      ...figures.of(document, day, market.place, market.currency),
    },
  };
}

function linksOf(document: WorldDocument, owner: Owner): Record<string, number> {
  if (document.kind !== 'page') return {};
  const share = 2 ** ((document.authority - owner.authority) / 10) / Math.max(8, owner.documents / 3);
  return {
    'referring domains': Math.round(owner.referringDomains * share),
    backlinks: Math.round(owner.backlinks * share),
  };
}

export function fullRecordOf(
  world: World,
  { world: { market } }: OpenMarket,
  figures: Figures,
  document: WorldDocument,
  day: number,
): SourceFullRecord {
  const fields = Object.fromEntries(
    Object.entries(document.fields).filter(
      ([name]) => name !== 'title' && name !== 'description' && !PRIVATE.includes(name),
    ),
  );
  return { ...recordOf(world, market, figures, document, day), fields, picture: pictureOf(document) };
}

/** The public record of a whole site, channel or shop: its home page's words with the owner's figures. */
export function parentRecordOf(
  world: World,
  { world: market, ranker }: OpenMarket,
  owner: Owner,
  day: number,
): SourceFullRecord {
  const index = world.owners.indexOf(owner);
  const held = market.documents.flatMap((document, i) =>
    document.owner === index && standsOn(document, day) ? [ranker.contentOn(i, day)] : [],
  );
  const home = held.find((document) => document.genre === 'home');
  const first = held.reduce((least, document) => Math.min(least, document.revisions[0]!), day);
  const last = held.reduce((most, document) => Math.max(most, lastRevision(document.revisions, day) ?? 0), 0);
  const kind = owner.surface === 'web' ? 'site' : owner.surface === 'video' ? 'channel' : 'shop';
  const channelKeywords = held[0]?.fields['channel keywords'];
  return {
    address: owner.address,
    kind,
    parent: null,
    owner: owner.name,
    title: home?.fields.title ?? owner.name,
    description: home?.fields.description ?? '',
    published: held.length > 0 ? isoDay(first) : null,
    updated: held.length > 0 ? isoDay(last) : null,
    category: null,
    figures: {
      authority: owner.authority,
      'referring domains': owner.referringDomains,
      backlinks: owner.backlinks,
      'share of poor links': owner.poorLinks,
      [{ site: 'pages', channel: 'videos', shop: 'listings' }[kind]]: held.length,
    },
    fields: channelKeywords ? { keywords: channelKeywords } : {},
    picture: null,
  };
}
