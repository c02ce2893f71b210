import type { WatchAlert } from '@opsimath/contract/api/watch';
import { escaped } from './escape';

/** Alerts of a market as entries of an Atom feed (RFC 4287). */
export function alertFeed(
  project: { id: number; name: string },
  alerts: readonly (WatchAlert & { market: string })[],
  self: string,
  updated: string,
): string {
  const entry = ({ id, market, day, kind, text }: WatchAlert & { market: string }): string =>
    [
      '  <entry>',
      `    <id>urn:opsimath:${project.id}:${escaped(encodeURIComponent(`${market} ${id}`))}</id>`,
      `    <title>${escaped(text)}</title>`,
      `    <updated>${day}T00:00:00Z</updated>`,
      `    <category term="${escaped(kind)}"/>`,
      `    <content type="text">${escaped(`${text} (${market}, ${day})`)}</content>`,
      '  </entry>',
    ].join('\n');
  return [
    '<?xml version="1.0" encoding="utf-8"?>',
    '<feed xmlns="http://www.w3.org/2005/Atom">',
    `  <id>urn:opsimath:${project.id}:alerts</id>`,
    `  <title>${escaped(`${project.name}: alerts`)}</title>`,
    `  <link rel="self" href="${escaped(self)}"/>`,
    '  <author><name>Opsimath</name></author>',
    `  <updated>${updated}</updated>`,
    ...alerts.map(entry),
    '</feed>',
    '',
  ].join('\n');
}
