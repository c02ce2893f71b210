import type { Middleware } from 'koa';
import type { Logger } from 'pino';
import { storageProblem } from '../data/storage/storageProblems';
import { KnownProblem, UnforeseenProblem, asProblem, toProblem } from '../problems/problem';

/** The one place where failures become answers. */
export function answerProblems(log: Logger): Middleware {
  return async (context, next) => {
    try {
      await next();
      if (context.status === 404 && context.body === undefined && context.path.startsWith('/api/')) {
        throw new KnownProblem('no-such-address', `There is nothing at ${context.path.slice(0, 200)}.`);
      }
    } catch (error) {
      const problem = refusalOf(error) ?? storageProblem(error) ?? toProblem(error);
      const status = problem instanceof UnforeseenProblem ? 500 : problem.status;
      if (status >= 500) logProblem(log, problem, `${context.method} ${context.path}`);
      context.status = status;
      context.body = asProblem(problem);
    }
  };
}

/** Writes a failure down with all that is known of it. */
function logProblem(log: Logger, problem: KnownProblem | UnforeseenProblem, where: string): void {
  const number = problem instanceof UnforeseenProblem ? problem.number : undefined;
  log.error({ number, where, err: problem, cause: causeOf(problem) }, problem.message);
}

function causeOf(error: Error): string | undefined {
  return error.cause instanceof Error ? error.cause.stack : undefined;
}

/** Refusals of the HTTP layer itself (a body that is too large, of another type, packed in an unknown way). */
function refusalOf(error: unknown): KnownProblem | null {
  if (error instanceof KnownProblem) return error;
  const { status, type, code, message } = error as {
    status?: number;
    type?: string;
    code?: string;
    message?: string;
  };
  // Thrown by the unpacking of a body that is not packed as its head says.
  if (
    type === 'encoding.unsupported' ||
    code?.startsWith('Z_') ||
    (status === 415 && /encoding/i.test(message ?? ''))
  )
    return new KnownProblem('wrong-encoding', 'The body is not packed as its Content-Encoding says.');
  if (status === undefined || status < 400 || status >= 500) return null;
  const codes = { 413: 'too-large', 415: 'wrong-type' } as const;
  return new KnownProblem(
    codes[status as 413 | 415] ?? 'not-understood',
    message ?? 'This was not understood.',
  );
}
