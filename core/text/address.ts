import { SURFACE_ROWS, type Surface } from './surfaces';

export type TargetKind = 'page' | 'video' | 'listing' | 'site' | 'channel' | 'shop' | 'section';

/** What a pasted line was taken for. */
export interface Address {
  /** Without protocol, `www.`, tracking, fragment and closing slash; host in lower case. A section ends in `/*`. */
  address: string;
  kind: TargetKind;
  surface: Surface;
}

/** A host on which all targets of a surface live. Paths hold `{id}`; `id` is a regular expression. */
export interface AddressPlatform {
  surface: Surface;
  host: string;
  target: string;
  parent: string;
  id: string;
}

const HOST = /^(?=.{4,253}$)([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z]{2,63}$/;
const LIST_MARK = /^\s*(?:[-*•]|\d+[.)])\s+/;
const TRACKING = /^(utm_|.*clid$|ref$|source$|campaign$|session)/i;
const MOST_LENGTH = 2000;

/**
 * Reads one pasted line as a target, so that the same target written in two ways is one: tracking parameters,
 * closing slashes and capitals of the host make no difference. On a platform's host a target is a video or listing,
 * a parent a channel or shop; a bare id is a target of the platform whose ids look like it. An address that ends
 * in `/*` is a section. Linear in the length.
 *
 * @returns the address, or the reason why the line is none
 */
export function readAddress(
  line: string,
  platforms: readonly AddressPlatform[] = [],
): Address | { reason: string } {
  const bare = line
    .replace(LIST_MARK, '')
    .trim()
    .replace(/^[a-z][a-z0-9+.-]*:\/\//i, '')
    .replace(/#.*$/s, '');
  if (bare === '') return { reason: 'empty' };
  if (bare.length > MOST_LENGTH) return { reason: 'longer than 2,000 characters' };
  const byId = platforms.find(({ id }) => isId(bare, id));
  if (byId) return targetOf(byId, bare.toLowerCase());
  const [, authority, rawPath, query] = /^([^/?]*)([^?]*)\??(.*)$/s.exec(bare)!;
  const host = authority!
    .toLowerCase()
    .replace(/^(www\.)+/, '')
    .replace(/:\d*$/, '');
  if (!HOST.test(host))
    return { reason: 'not an address or id of a page, site, video, channel, listing or shop' };
  if (/\s/.test(rawPath! + query!)) return { reason: 'an address cannot hold spaces' };
  const path = rawPath!.replace(/\/{2,}/g, '/').replace(/\/$/, '');
  const platform = platforms.find((entry) => entry.host === host);
  if (platform) return onPlatform(platform, path);
  if (path.endsWith('/*')) {
    return path === '/*'
      ? { address: host, kind: 'site', surface: 'web' }
      : { address: host + path, kind: 'section', surface: 'web' };
  }
  const kept = query!
    .split('&')
    .filter((parameter) => parameter !== '' && !TRACKING.test(parameter.split('=')[0]!));
  const address = host + path + (kept.length > 0 ? `?${kept.join('&')}` : '');
  return { address, kind: path === '' && kept.length === 0 ? 'site' : 'page', surface: 'web' };
}

/** Whether the whole text looks like an id; patterns need not say that they mean the whole. */
function isId(text: string, pattern: string): boolean {
  return new RegExp(`^(?:${pattern})$`, 'i').test(text);
}

function targetOf({ surface, host, target }: AddressPlatform, id: string): Address {
  return { address: host + target.replace('{id}', id), kind: SURFACE_ROWS[surface].target, surface };
}

/** On a platform the path says all; what follows it (a name, a tab) makes no other target. */
function onPlatform(platform: AddressPlatform, path: string): Address | { reason: string } {
  const { surface, host, target, parent, id } = platform;
  const idIn = (pattern: string): string | null => {
    const start = pattern.slice(0, pattern.indexOf('{id}'));
    return path.toLowerCase().startsWith(start)
      ? path.slice(start.length).split('/')[0]!.toLowerCase()
      : null;
  };
  const targetId = idIn(target);
  if (targetId !== null && isId(targetId, id)) return targetOf(platform, targetId);
  const parentId = idIn(parent);
  if (parentId)
    return { address: host + parent.replace('{id}', parentId), kind: SURFACE_ROWS[surface].parent, surface };
  return { reason: `no ${SURFACE_ROWS[surface].target} and no ${SURFACE_ROWS[surface].parent} of ${host}` };
}

/** Whether an address lies at or below another: the same, or below it as a path; a section covers what is below it. */
export function liesUnder(address: string, parent: string): boolean {
  const start = parent.endsWith('/*') ? parent.slice(0, -1) : `${parent}/`;
  return address === parent || address.startsWith(start);
}
