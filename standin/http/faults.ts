import type { Middleware } from 'koa';
import { z } from 'zod';
import { Draws } from '../random';

/** Misbehaviour at stated rates (0–1 of requests), all off at first. */
export const faultRates = z.object({
  seed: z.int().default(1),
  /** Only requests whose path holds this; all without it. */
  path: z.string().default(''),
  latencyMs: z.number().min(0).max(60_000).default(0),
  timeout: z.number().min(0).max(1).default(0),
  tooMany: z.number().min(0).max(1).default(0),
  /** Seconds, sent with 429. */
  retryAfter: z.number().min(0).max(60).default(0),
  serverError: z.number().min(0).max(1).default(0),
  truncated: z.number().min(0).max(1).default(0),
  repeatedPage: z.number().min(0).max(1).default(0),
  missingPage: z.number().min(0).max(1).default(0),
  impossibleRow: z.number().min(0).max(1).default(0),
});
type FaultRates = z.infer<typeof faultRates>;

/** Holds the rates in force and draws from them. */
export class Faults {
  private rates = faultRates.parse({});
  private draws = new Draws(1);

  set(rates: FaultRates): void {
    this.rates = rates;
    this.draws = new Draws(rates.seed);
  }
  get(): FaultRates {
    return this.rates;
  }
  happens(fault: Exclude<keyof FaultRates, 'seed' | 'path' | 'latencyMs' | 'retryAfter'>): boolean {
    return this.rates[fault] > 0 && this.draws.next() < this.rates[fault];
  }
}

/** Disturbs answers to everything below /v1 but the clock and the faults themselves. */
export function disturb(faults: Faults): Middleware {
  return async (context, next) => {
    if (/^\/v1\/(faults|clock)/.test(context.path)) return next();
    const { latencyMs, retryAfter, path } = faults.get();
    if (!context.path.includes(path)) return next();
    if (latencyMs > 0) await new Promise((resolve) => setTimeout(resolve, latencyMs));
    if (faults.happens('timeout')) {
      // Never answered: the socket stays open until the caller gives up.
      context.respond = false;
      return;
    }
    if (faults.happens('tooMany')) {
      context.status = 429;
      context.set('Retry-After', String(retryAfter));
      context.body = { code: 'too-many', message: 'Too many requests.' };
      return;
    }
    if (faults.happens('serverError')) {
      context.status = 500;
      context.body = { code: 'broken', message: 'Something broke.' };
      return;
    }
    await next();
    if (faults.happens('truncated')) {
      const text = JSON.stringify(context.body);
      context.type = 'json';
      context.body = text.slice(0, Math.floor(text.length * 0.6));
    }
  };
}
