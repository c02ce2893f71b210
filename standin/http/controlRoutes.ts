import type Router from '@koa/router';
import { z } from 'zod';
import { faultRates } from './faults';
import type { Services } from './services';

const advance = z.object({ days: z.int().min(1).max(3650) });

/** The clock, the allowance and the faults. */
export function controlRoutes(router: Router, services: Services): void {
  router.get('/allowance', (context) => {
    context.body = services.units.state();
  });
  router.get('/clock', (context) => {
    context.body = { today: services.clock() };
  });
  router.post('/clock/advance', (context) => {
    context.body = { today: services.advance(advance.parse(context.request.body).days) };
  });
  router.get('/faults', (context) => {
    context.body = services.faults.get();
  });
  router.put('/faults', (context) => {
    services.faults.set(faultRates.parse(context.request.body));
    context.body = services.faults.get();
  });
}
