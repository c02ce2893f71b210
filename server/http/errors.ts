import type { Problem } from '@opsimath/contract/api/problem';
import type { Middleware } from 'koa';
import type { Logger } from 'pino';
import { KnownProblem } from '../problem';

/** The one place where failures become answers. */
export function answerProblems(log: Logger): Middleware {
  return async (context, next) => {
    try {
      await next();
      if (context.status === 404 && context.body === undefined && context.path.startsWith('/api/')) {
        throw new KnownProblem(404, 'no-such-address', `There is nothing at ${context.path}.`);
      }
    } catch (error) {
      const problem = toProblem(error);
      if (problem.status >= 500) log.error({ path: context.path, error: String(error) }, problem.message);
      context.status = problem.status;
      context.body = { code: problem.code, message: problem.message, todo: problem.todo } satisfies Problem;
    }
  };
}

function toProblem(error: unknown): KnownProblem {
  if (error instanceof KnownProblem) return error;
  const status = (error as { status?: number }).status;
  // The body reader's own refusals carry a status.
  if (status !== undefined && status >= 400 && status < 500) {
    return new KnownProblem(status, 'not-understood', (error as Error).message);
  }
  return new KnownProblem(
    500,
    'broken',
    `Something unforeseen: ${(error as Error).message}`,
    'Try again; if it stays, look into the log.',
  );
}
