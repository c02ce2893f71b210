import {
  allowanceAnswer,
  clockAnswer,
  marketsAnswer,
  metricsAnswer,
  performanceAnswer,
  rankingsAnswer,
  recordAnswer,
  resultPagesAnswer,
  serviceError,
  sourceRanking,
} from '@opsimath/contract/source/answers';
import pRetry, { AbortError } from 'p-retry';
import { z } from 'zod';
import { KnownProblem } from '../problem';
import type { SearchSource } from './searchSource';

export interface HttpSourceOptions {
  /** Origin of the service. */
  url: string;
  /** For one attempt. */
  timeoutMs: number;
  retries: number;
  firstDelayMs: number;
}

const LONGEST_WAIT_MS = 30_000;
const looseRankings = rankingsAnswer.extend({ rows: z.array(z.unknown()) });
const countAnswer = z.object({ count: z.int().nonnegative() });

/** An answer that may be better next time; `waitMs` is what the service asked for. */
class Passing extends Error {
  constructor(
    message: string,
    readonly waitMs = 0,
  ) {
    super(message);
  }
}

/** The search services over HTTP, with time limits, and retries with back-off that heed Retry-After. */
export function httpSource(options: HttpSourceOptions): SearchSource {
  async function attempt<T extends z.ZodType>(
    schema: T,
    path: string,
    body: unknown,
    signal?: AbortSignal,
  ): Promise<z.output<T>> {
    const limit = AbortSignal.timeout(options.timeoutMs);
    let response: Response;
    let text: string;
    try {
      response = await fetch(new URL(`/v1${path}`, options.url), {
        method: body === undefined ? 'GET' : 'POST',
        headers: body === undefined ? {} : { 'content-type': 'application/json' },
        body: body === undefined ? undefined : JSON.stringify(body),
        signal: signal ? AbortSignal.any([limit, signal]) : limit,
      });
      text = await response.text();
    } catch (error) {
      signal?.throwIfAborted();
      throw new Passing(
        limit.aborted
          ? `no answer within ${options.timeoutMs / 1000} s`
          : `no connection (${reasonOf(error)})`,
      );
    }
    if (response.status === 429 || response.status >= 500) {
      const seconds = Number(response.headers.get('retry-after') ?? 0);
      throw new Passing(`status ${response.status}`, Number.isFinite(seconds) ? seconds * 1000 : 0);
    }
    const answer = parseJson(text);
    if (!response.ok) {
      const refused = serviceError.safeParse(answer);
      const message = refused.success ? refused.data.message : `status ${response.status}`;
      throw new AbortError(
        refusal(response.status, refused.success ? refused.data.code : 'refused', message),
      );
    }
    const read = schema.safeParse(answer);
    if (!read.success)
      throw new Passing(`an answer of another shape (${z.prettifyError(read.error).split('\n')[0]})`);
    return read.data;
  }

  async function ask<T extends z.ZodType>(
    schema: T,
    path: string,
    body?: unknown,
    signal?: AbortSignal,
  ): Promise<z.output<T>> {
    try {
      return await pRetry(() => attempt(schema, path, body, signal), {
        retries: options.retries,
        minTimeout: options.firstDelayMs,
        factor: 2,
        randomize: true,
        signal,
        onFailedAttempt: async ({ error }) => {
          if (error instanceof Passing && error.waitMs > 0)
            await pause(Math.min(error.waitMs, LONGEST_WAIT_MS), signal);
        },
      });
    } catch (error) {
      if (error instanceof KnownProblem) throw error;
      signal?.throwIfAborted();
      throw new KnownProblem(
        502,
        'services-unreachable',
        `The search services did not answer after ${options.retries + 1} tries: ${reasonOf(error)}.`,
        'What has come so far is kept. Check that the services run, then go on with the job.',
        { cause: error },
      );
    }
  }

  const query = (values: Record<string, string | null>): string =>
    new URLSearchParams(
      Object.entries(values).filter((entry): entry is [string, string] => entry[1] !== null),
    ).toString();

  return {
    name: 'search services',
    markets: async () => (await ask(marketsAnswer, '/markets')).markets,
    today: async () => (await ask(clockAnswer, '/clock')).today,
    allowance: () => ask(allowanceAnswer, '/allowance'),
    async rankings({ market, date, target, kind, cursor, signal }) {
      const answer = await ask(
        looseRankings,
        `/rankings?${query({ market, date, target, kind, cursor })}`,
        undefined,
        signal,
      );
      const rows = answer.rows.flatMap((row) => {
        const read = sourceRanking.safeParse(row);
        return read.success ? [read.data] : [];
      });
      return { ...answer, rows, senseless: answer.rows.length - rows.length };
    },
    rankingsCount: async ({ market, date, target, kind, signal }) =>
      (await ask(countAnswer, `/rankings/count?${query({ market, date, target, kind })}`, undefined, signal))
        .count,
    resultPages: ({ signal, ...body }) => ask(resultPagesAnswer, '/result-pages', body, signal),
    metrics: ({ signal, ...body }) => ask(metricsAnswer, '/metrics', body, signal),
    record: async ({ market, date, target, signal }) =>
      (await ask(recordAnswer, `/records?${query({ market, date, target })}`, undefined, signal)).record,
    performance: (values) => ask(performanceAnswer, `/own/performance?${query(values)}`),
  };
}

function refusal(status: number, code: string, message: string): KnownProblem {
  switch (code) {
    case 'allowance-spent':
      return new KnownProblem(402, code, message, 'Wait for the renewal, or ask for less.');
    case 'no-such-target':
      return new KnownProblem(404, code, message, 'Check the address, or try another market.');
    default:
      return new KnownProblem(status === 404 ? 404 : 400, code, message);
  }
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Passing('an answer that breaks off');
  }
}

/** The innermost reason: fetch hides the system's own behind "fetch failed". */
function reasonOf(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const cause = error.cause as { code?: string; message?: string } | undefined;
  return cause?.code ?? cause?.message ?? error.message;
}

function pause(ms: number, signal?: AbortSignal): Promise<void> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(resolve, ms);
    signal?.addEventListener('abort', () => (clearTimeout(timer), reject(signal.reason as Error)), {
      once: true,
    });
  });
}
