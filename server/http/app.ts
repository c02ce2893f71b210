import { createReadStream, existsSync } from 'node:fs';
import path from 'node:path';
import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import Koa from 'koa';
import helmet from 'koa-helmet';
import serve from 'koa-static';
import type { Logger } from 'pino';
import { answerProblems } from './errors';
import { gapRoutes } from './gaps';
import { handPositionRoutes } from './handPositions';
import { bidRoutes } from './bids';
import { standingRoutes } from './standing';
import { studyRoutes } from './studies';
import { importRoutes } from './imports';
import { jobRoutes } from './jobs';
import { lookUpRoutes } from './lookUps';
import { marketRoutes } from './markets';
import { markerRoutes } from './markers';
import { changeRoutes } from './changes';
import { refuseNeighbours } from './neighbours';
import { noteRoutes } from './notes';
import { openApiDocument } from './openApi';
import { openApiPage } from './openApiPage';
import { outsideRoutes } from './outside';
import { projectRoutes } from './projects';
import { auditRoutes } from './audits';
import { frozenRoutes, shareRoutes } from './frozenReports';
import { reportFileRoutes, sharedRoute } from './reportFiles';
import { tableFileRoutes } from './tableFiles';
import { reportRoutes } from './reports';
import { listRoutes } from './lists';
import { draftPartRoutes, draftRoutes, writerRoutes } from './drafts';
import { ownCopyRoutes } from './ownCopy';
import { publishedRoutes } from './published';
import { alertRoutes, feedRoute } from './alerts';
import { visitRoutes } from './visits';
import { watchRoutes } from './watch';
import { roundRoutes } from './rounds';
import { Routes } from './route';
import type { Services } from './services';
import { adGroupRoutes } from './adGroups';
import { archiveRoutes } from './archives';
import { siftRoutes } from './sift';
import { taskRoutes } from './tasks';
import { targetRoutes } from './targets';
import { trackingRoutes } from './tracking';
import { variantRoutes } from './variants';

/** The application: the API below /api, and the built interface for everything else. */
export function createApp(
  services: Services,
  webFolder: string,
  log: Logger,
  allowedHosts: readonly string[] = [],
): Koa {
  const app = new Koa();
  const router = new Router({ prefix: '/api' });
  const routes = new Routes(router);
  for (const add of [
    projectRoutes,
    marketRoutes,
    targetRoutes,
    lookUpRoutes,
    jobRoutes,
    gapRoutes,
    standingRoutes,
    studyRoutes,
    bidRoutes,
    handPositionRoutes,
    siftRoutes,
    listRoutes,
    variantRoutes,
    markerRoutes,
    outsideRoutes,
    trackingRoutes,
    importRoutes,
    roundRoutes,
    taskRoutes,
    draftRoutes,
    draftPartRoutes,
    ownCopyRoutes,
    writerRoutes,
    adGroupRoutes,
    publishedRoutes,
    watchRoutes,
    visitRoutes,
    alertRoutes,
    feedRoute,
    reportRoutes,
    frozenRoutes,
    shareRoutes,
    reportFileRoutes,
    tableFileRoutes,
    sharedRoute,
    auditRoutes,
    noteRoutes,
    archiveRoutes,
    changeRoutes,
  ]) {
    add(routes, services);
  }
  const document = openApiDocument(routes.shapes);
  router.get('/openapi.json', (context) => {
    context.body = document;
  });
  router.get('/docs', (context) => {
    context.type = 'html';
    context.body = openApiPage(document);
  });

  app.use(answerProblems(log));
  app.use(refuseNeighbours(allowedHosts));
  app.use(
    helmet({
      contentSecurityPolicy: { directives: { 'script-src': ["'self'"], 'upgrade-insecure-requests': null } },
      hsts: false,
    }),
  );
  app.use(
    bodyParser({
      jsonLimit: '8mb',
      enableTypes: ['json'],
      parsedMethods: ['POST', 'PUT', 'PATCH', 'DELETE'],
    }),
  );
  app.use((_, next) => services.people.waiting(next));
  app.use(services.changes.watch);
  app.use(router.routes());
  app.use(
    serve(webFolder, {
      maxage: 0,
      setHeaders: (response, file) => {
        // Their names hold what they hold: they never change.
        if (file.includes(`${path.sep}assets${path.sep}`))
          response.setHeader('cache-control', 'public, max-age=31536000, immutable');
      },
    }),
  );
  app.use(async (context) => {
    // Every other address is a view of the interface.
    if (context.method !== 'GET' || context.path.startsWith('/api/')) return;
    const page = path.join(webFolder, 'index.html');
    if (!existsSync(page)) return;
    context.type = 'html';
    context.body = createReadStream(page);
  });
  return app;
}
