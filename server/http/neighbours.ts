import type { Context, Middleware } from 'koa';
import { KnownProblem } from '../problems/problem';

const CHANGING = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);
const TYPES = new Set(['application/json', 'application/octet-stream']);

/** Names of this machine for itself. */
function isLoopback(name: string): boolean {
  return name === 'localhost' || name === '[::1]' || /^127(\.\d{1,3}){3}$/.test(name);
}

/** The name in a Host head, without its port; brackets stay. */
function nameOf(host: string): string {
  return host.toLowerCase().replace(/:\d*$/, '').replace(/\.$/, '');
}

/**
 * Keeps out what a web page elsewhere might send here through somebody's browser. A page that makes its own name point
 * to this machine is known by the Host head; one that posts from another origin by Origin or Sec-Fetch-Site, which
 * browsers set and pages cannot. A program that sends neither is no browser; its request must have a type that no page
 * can send elsewhere without asking first.
 */
export function refuseNeighbours(allowedHosts: readonly string[]): Middleware {
  const allowed = new Set(allowedHosts.map(nameOf));
  return (context, next) => {
    const host = context.get('host');
    const name = nameOf(host);
    if (!isLoopback(name) && !allowed.has(name))
      throw new KnownProblem(
        'strange-host',
        `This application is not called ${name.slice(0, 100) || 'nothing'}.`,
        'Ask for it under 127.0.0.1 or localhost, or start it with --allowed-host and that name.',
      );
    if (CHANGING.has(context.method)) assertOwnPage(context, host);
    return next();
  };
}

function assertOwnPage(context: Context, host: string): void {
  const origin = context.get('origin');
  const site = context.get('sec-fetch-site');
  const isOwn =
    origin === '' ? site === '' || site === 'same-origin' : originHost(origin) === host.toLowerCase();
  if (!isOwn || (site !== '' && site !== 'same-origin'))
    throw new KnownProblem(
      'strange-origin',
      'A page from elsewhere may not change anything here.',
      'Do it in the application itself.',
    );
  const type = context.get('content-type').split(';')[0]!.trim().toLowerCase();
  const hasBody = context.get('transfer-encoding') !== '' || Number(context.get('content-length') || 0) > 0;
  const fromBrowser = origin !== '' || site !== '';
  if (!TYPES.has(type) && (hasBody || !fromBrowser))
    throw new KnownProblem(
      'wrong-type',
      'A request that changes something has the type application/json, or application/octet-stream for a file.',
      'Set the Content-Type head.',
    );
}

function originHost(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
