import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import Koa from 'koa';
import { z } from 'zod';
import type { World } from '../world/world';
import { accountRoutes } from './accountRoutes';
import { controlRoutes } from './controlRoutes';
import { disturb } from './faults';
import { Refusal } from './refusal';
import { searchRoutes } from './searchRoutes';
import { Services, type ServicesOptions } from './services';

/** The services over HTTP: everything the world answers, its clock, its allowance and its faults. */
export function createServices(world: World, options: ServicesOptions): { app: Koa; services: Services } {
  const services = new Services(world, options);
  const router = new Router({ prefix: '/v1' });
  for (const add of [searchRoutes, accountRoutes, controlRoutes]) add(router, services);
  const app = new Koa();
  app.use(async (context, next) => {
    try {
      await next();
    } catch (error) {
      const refusal =
        error instanceof z.ZodError ? new Refusal(400, 'bad-request', z.prettifyError(error)) : error;
      if (!(refusal instanceof Refusal)) throw error;
      context.status = refusal.status;
      context.body = { code: refusal.code, message: refusal.message };
    }
  });
  app.use(disturb(services.faults));
  app.use(bodyParser({ jsonLimit: '4mb' }));
  app.use(router.routes());
  return { app, services };
}
