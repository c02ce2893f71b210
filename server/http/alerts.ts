import { watchAlerts, watchFeed, type WatchAlert } from '@opsimath/contract/api/watch';
import { isoDay } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import { listMarkets } from '../data/markets';
import { projectById } from '../data/projects';
import { trackedKeywords } from '../data/tracked';
import { closeFeed, feedSecret, projectOfFeed, renewFeed } from '../data/watchFeeds';
import { alertFeed } from '../files/alertFeed';
import { KnownProblem } from '../problems/problem';
import { isQuiet } from '@opsimath/core/watch/quietHours';
import type { Routes } from './route';
import type { Services } from './services';

/** Less than this share of an allowance left is nearly all of it used. */
const NEARLY = 0.1;
const pathOf = (secret: string): string => `/api/feeds?key=${secret}`;

export function alertRoutes(routes: Routes, { database, source, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/alerts',
      summary: 'What somebody who follows a market wants to be told unasked, the newest first',
      query: z.object({ market: z.string(), date: isoDay }),
      answer: watchAlerts,
    },
    async ({ params, query }) => [
      ...(await allowanceAlert({ database, source }, params.id, query.date)),
      ...(await analysis.alerts(params.id, query)),
    ],
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/feed',
      summary: 'Address of the feed of alerts',
      answer: watchFeed,
    },
    async ({ params }) => {
      const secret = await feedSecret(database, params.id);
      return { path: secret === null ? null : pathOf(secret) };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/feed',
      summary: 'Give the feed of alerts a secret address, or another one: the one before is closed',
      answer: watchFeed,
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return { path: pathOf(await renewFeed(database, params.id)) };
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/feed',
      summary: 'Close the feed of alerts',
      answer: watchFeed,
    },
    async ({ params }) => {
      await closeFeed(database, params.id);
      return { path: null };
    },
  );
}

export function feedRoute(routes: Routes, { database, source, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/feeds',
      summary:
        'Alerts of all markets that a project follows, as an Atom feed; in quiet hours without those of today',
      query: z.object({ key: z.string().max(100) }),
      answer: null,
      media: 'application/atom+xml',
    },
    async ({ query: { key: secret }, context }) => {
      const projectId = await projectOfFeed(database, secret);
      if (projectId === null)
        throw new KnownProblem('no-such-feed', 'This feed is closed.', 'Ask for its new address.');
      const project = await projectById(database, projectId);
      const today = await source.today();
      const quiet = isQuiet(project.settings.alerts, new Date().getUTCHours());
      const all: (WatchAlert & { market: string })[] = [];
      for (const { id, code } of await listMarkets(database)) {
        if ((await trackedKeywords(database, projectId, id)).length === 0) continue;
        for (const alert of await analysis.alerts(projectId, { market: code, date: today }))
          if (!quiet || alert.day < today) all.push({ ...alert, market: code });
      }
      for (const alert of await allowanceAlert({ database, source }, projectId, today))
        all.push({ ...alert, market: '' });
      all.sort((a, b) => (a.day < b.day ? 1 : a.day > b.day ? -1 : 0));
      const { host, protocol } = context;
      context.type = 'application/atom+xml; charset=utf-8';
      context.body = alertFeed(
        project,
        all,
        `${protocol}://${host}${pathOf(secret)}`,
        `${all[0]?.day ?? today}T00:00:00Z`,
      );
    },
  );
}

/** Whether the services’ allowance is nearly used; nothing while they are away. */
async function allowanceAlert(
  { database, source }: Pick<Services, 'database' | 'source'>,
  projectId: number,
  date: string,
): Promise<WatchAlert[]> {
  const { settings } = await projectById(database, projectId);
  if (settings.alerts.off.includes('allowance nearly used')) return [];
  try {
    const { allowance, spent, renews } = await source.allowance();
    if (allowance - spent > NEARLY * allowance) return [];
    return [
      {
        id: `allowance ${renews}`,
        day: date,
        kind: 'allowance nearly used',
        text: `${Math.max(0, Math.floor(allowance - spent))} of ${allowance} units are left until ${renews}`,
        keyword: null,
      },
    ];
  } catch (error) {
    if (error instanceof KnownProblem) return [];
    throw error;
  }
}
