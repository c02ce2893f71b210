/** What a pasted line was taken for. */
export interface Address {
  /** Without protocol, `www.`, query, fragment and closing slash; host in lower case. */
  address: string;
  kind: 'site' | 'page';
}

const HOST = /^(?=.{4,253}$)([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z]{2,63}$/;

const LIST_MARK = /^\s*(?:[-*•]|\d+[.)])\s+/;
const TRACKING = /^(utm_|.*clid$|ref$|source$|campaign$|session)/i;

/**
 * Reads one pasted line as the address of a site or a page, so that the same target written in two ways
 * is one: tracking parameters, closing slashes and capitals of the host make no difference.
 *
 * @returns the address, or the reason why the line is none
 */
export function readAddress(line: string): Address | { reason: string } {
  const bare = line
    .replace(LIST_MARK, '')
    .trim()
    .replace(/^[a-z][a-z0-9+.-]*:\/\//i, '')
    .replace(/#.*$/, '');
  if (bare === '') return { reason: 'empty' };
  if (bare.length > 2000) return { reason: 'longer than 2,000 characters' };
  const [, authority, rawPath, query] = /^([^/?]*)([^?]*)\??(.*)$/s.exec(bare)!;
  const host = authority!
    .toLowerCase()
    .replace(/^(www\.)+/, '')
    .replace(/:\d*$/, '');
  const path = rawPath!.replace(/\/{2,}/g, '/').replace(/\/$/, '');
  const kept = query!
    .split('&')
    .filter((parameter) => parameter !== '' && !TRACKING.test(parameter.split('=')[0]!));
  if (!HOST.test(host)) return { reason: 'not an address of a site or page' };
  if (/\s/.test(path + query!)) return { reason: 'an address cannot hold spaces' };
  const address = host + path + (kept.length > 0 ? `?${kept.join('&')}` : '');
  return { address, kind: path === '' && kept.length === 0 ? 'site' : 'page' };
}
