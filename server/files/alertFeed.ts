import type { WatchAlert } from '@opsimath/contract/api/watch';

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
      `    <id>urn:opsimath:${project.id}:${asXml(encodeURIComponent(`${market} ${id}`))}</id>`,
      `    <title>${asXml(text)}</title>`,
      `    <updated>${day}T00:00:00Z</updated>`,
      `    <category term="${asXml(kind)}"/>`,
      `    <content type="text">${asXml(`${text} (${market}, ${day})`)}</content>`,
      '  </entry>',
    ].join('\n');
  return [
    '<?xml version="1.0" encoding="utf-8"?>',
    '<feed xmlns="http://www.w3.org/2005/Atom">',
    `  <id>urn:opsimath:${project.id}:alerts</id>`,
    `  <title>${asXml(`${project.name}: alerts`)}</title>`,
    `  <link rel="self" href="${asXml(self)}"/>`,
    '  <author><name>Opsimath</name></author>',
    `  <updated>${updated}</updated>`,
    ...alerts.map(entry),
    '</feed>',
    '',
  ].join('\n');
}

/** Signs that XML does not know are left out; those that mean something to it are escaped. */
const asXml = (text: string): string =>
  text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
