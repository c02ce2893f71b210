import { EventEmitter } from 'node:events';
import { PassThrough } from 'node:stream';
import { type Change, CHANGED_THINGS, type ChangedThing } from '@opsimath/contract/api/changes';
import type { Middleware } from 'koa';
import type { Routes } from './route';

const HEARTBEAT_MS = 15_000;
const CHANGING = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/** What a request that changes something has changed, by its path below /api. The first that fits counts. */
const CHANGES: readonly [RegExp, ChangedThing | null][] = [
  [/^\/look-ups\/\d+\/sift\/judge$/, 'verdicts'],
  [/^\/look-ups\/\d+\/sift\/list$/, 'lists'],
  [/^\/look-ups\/\d+\/(again|keywords)/, 'look-ups'],
  [/^\/look-ups\/\d+$/, 'look-ups'],
  [/^\/look-ups\//, null],
  [/^\/projects\/\d+\/look-ups\/(price|mode-counts)$/, null],
  [/^\/projects\/\d+\/targets\/\d+\/coverage$/, null],
  [/^\/projects\/\d+\/(front|outside|translations)$/, null],
  [/^\/imports\/\d+\/start$/, 'imports'],
  [/^\/imports\//, null],
  [/^\/projects(\/\d+)?$/, 'projects'],
  [/^\/archives$/, 'projects'],
  [/^\/(packing|written-text|table-files)$/, null],
  [/^\/projects\/\d+\/published(\/|$)/, 'drafts'],
  [/^\/projects\/\d+\/report-files(\/|$)/, null],
  [/^\/projects\/\d+\/(frozen|shares)(\/|$)/, 'reports'],
  [/^\/audits(\/price)?$/, null],
  [/^\/projects\/\d+\/watch\/plan$/, 'tracked'],
  [/^\/projects\/\d+\/feed$/, null],
  [/^\/projects\/\d+\/watch\/(recheck|presence)$/, 'facts'],
];

/** Tells open views what others have changed. */
export class Changes {
  private readonly events = new EventEmitter().setMaxListeners(0);

  tell(change: Change): void {
    this.events.emit('change', change);
  }

  listen(listener: (change: Change) => void): () => void {
    this.events.on('change', listener);
    return () => this.events.off('change', listener);
  }

  /** Tells of every request that has changed something. */
  readonly watch: Middleware = async (context, next) => {
    await next();
    if (!CHANGING.has(context.method) || context.status >= 400 || !context.path.startsWith('/api/')) return;
    const path = context.path.slice('/api'.length);
    const what = thingAt(path);
    if (what === null) return;
    const project = Number(/^\/projects\/(\d+)/.exec(path)?.[1] ?? 0) || null;
    this.tell({ project, what, window: context.get('x-window').slice(0, 60) });
  };
}

function thingAt(path: string): ChangedThing | null {
  const found = CHANGES.find(([pattern]) => pattern.test(path));
  if (found) return found[1];
  const named = /^\/projects\/\d+\/([a-z-]+)/.exec(path)?.[1];
  return CHANGED_THINGS.find((thing) => thing === named) ?? (named === undefined ? null : 'else');
}

export function changeRoutes(routes: Routes, { changes }: { changes: Changes }): void {
  routes.add(
    {
      method: 'get',
      path: '/changes',
      summary: 'What is changed, by whichever window, as server-sent events',
      answer: null,
      media: 'text/event-stream',
    },
    async ({ context }) => {
      const stream = new PassThrough();
      const stop = changes.listen((change) => stream.write(`data: ${JSON.stringify(change)}\n\n`));
      const beat = setInterval(() => stream.write(': still here\n\n'), HEARTBEAT_MS);
      stream.on('close', () => {
        stop();
        clearInterval(beat);
      });
      context.req.on('close', () => stream.destroy());
      stream.write(': listening\n\n');
      context.set({
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-cache',
        'X-Accel-Buffering': 'no',
      });
      context.status = 200;
      context.body = stream;
      await Promise.resolve();
    },
  );
}
