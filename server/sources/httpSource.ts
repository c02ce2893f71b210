import { randomUUID } from 'node:crypto';
import {
  adTermsAnswer,
  allowanceAnswer,
  auctionsAnswer,
  campaignsAnswer,
  clockAnswer,
  indexAnswer,
  keywordsAnswer,
  linksAnswer,
  marketsAnswer,
  metricsAnswer,
  ownFieldsAnswer,
  publishAnswer,
  reindexAnswer,
  performanceAnswer,
  placeAnswer,
  rankingsAnswer,
  recordAnswer,
  resultPagesAnswer,
  salesCurvesAnswer,
  serviceError,
  type SourceRanking,
  sourceRanking,
  suggestionsAnswer,
  translationsAnswer,
} from '@opsimath/contract/source/answers';
import pRetry, { AbortError } from 'p-retry';
import { z } from 'zod';
import { KnownProblem } from '../problems/problem';
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
/** Between two tries, unless the service asks for more. */
const LONGEST_DELAY_MS = 4000;
/** How often a page with damaged rows is asked for again. */
const SENSE_TRIES = 8;
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
// eslint-disable-next-line max-lines-per-function -- one short method for each answer of the services
export function httpSource(options: HttpSourceOptions): SearchSource {
  async function attempt<T extends z.ZodType>(
    schema: T,
    path: string,
    body: unknown,
    requestId: string,
    signal?: AbortSignal,
  ): Promise<z.output<T>> {
    const limit = AbortSignal.timeout(options.timeoutMs);
    let response: Response;
    let text: string;
    try {
      response = await fetch(new URL(`/v1${path}`, options.url), {
        method: body === undefined ? 'GET' : 'POST',
        headers: {
          // The same for every try: what was paid for once is not paid for again.
          'x-request-id': requestId,
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        },
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

  async function call<T extends z.ZodType>(
    schema: T,
    path: string,
    body?: unknown,
    signal?: AbortSignal,
    requestId: string = randomUUID(),
  ): Promise<z.output<T>> {
    try {
      return await pRetry(() => attempt(schema, path, body, requestId, signal), {
        retries: options.retries,
        minTimeout: options.firstDelayMs,
        maxTimeout: LONGEST_DELAY_MS,
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
        'services-unreachable',
        `The search services did not answer after ${options.retries + 1} tries: ${reasonOf(error)}.`,
        'What has come so far is kept. Check that the services run, then go on with the job.',
        { cause: error },
      );
    }
  }

  /** One page of a walk, asked for until it is the one asked for and `enough` says it is whole; the tries are paid once. */
  async function page<T extends z.ZodType<{ from?: string | null }>>(
    schema: T,
    path: string,
    cursor: string | null,
    { signal, requestId = randomUUID() }: { signal?: AbortSignal; requestId?: string },
    enough: (answer: z.output<T>) => boolean,
  ): Promise<z.output<T>> {
    for (let tries = SENSE_TRIES; ; tries--) {
      const answer = await call(schema, path, undefined, signal, requestId);
      // A walk that answers with another page than the one asked for has skipped or repeated one.
      const isPage = answer.from === undefined || answer.from === cursor;
      if (isPage && (enough(answer) || tries === 0)) return answer;
      if (tries === 0)
        throw new KnownProblem(
          'pages-missing',
          `The search services left out a page again and again, after ${cursor ?? 'the beginning'}.`,
          'What has come so far is kept. Go on with the job to fetch just what is missing.',
        );
    }
  }

  const query = (values: Record<string, string | number | null>): string =>
    new URLSearchParams(
      Object.entries(values).flatMap(([name, value]) => (value === null ? [] : [[name, String(value)]])),
    ).toString();

  return {
    name: 'search services',
    markets: async () => (await call(marketsAnswer, '/markets')).markets,
    place: (ask) => call(placeAnswer, `/places?${query(ask)}`),
    today: async () => (await call(clockAnswer, '/clock')).today,
    allowance: () => call(allowanceAnswer, '/allowance'),
    async rankings({ signal, requestId, cursor, ...ask }) {
      /** Rows that made sense in any try: a damaged one may be sound in the next. */
      const sound = new Map<string, SourceRanking>();
      const path = `/rankings?${query({ ...ask, cursor })}`;
      const answer = await page(looseRankings, path, cursor, { signal, requestId }, ({ rows }) => {
        for (const row of rows) {
          const read = sourceRanking.safeParse(row);
          if (read.success) sound.set(`${read.data.keyword}\n${read.data.address}`, read.data);
        }
        return sound.size >= rows.length;
      });
      const senseless = Math.max(0, answer.rows.length - sound.size);
      return { ...answer, rows: [...sound.values()], senseless };
    },
    rankingsCount: async ({ signal, ...ask }) =>
      (await call(countAnswer, `/rankings/count?${query({ ...ask })}`, undefined, signal)).count,
    suggestions: async ({ signal, ...ask }) =>
      (await call(suggestionsAnswer, `/suggestions?${query({ ...ask })}`, undefined, signal)).suggestions,
    keywords: ({ signal, requestId, cursor, ...ask }) =>
      page(
        keywordsAnswer,
        `/keyword-matches?${query({ ...ask, cursor })}`,
        cursor,
        { signal, requestId },
        () => true,
      ),
    keywordsCount: async ({ signal, ...ask }) =>
      (await call(countAnswer, `/keyword-matches/count?${query({ ...ask })}`, undefined, signal)).count,
    links: ({ signal, ...ask }) => call(linksAnswer, `/links?${query({ ...ask })}`, undefined, signal),
    salesCurves: ({ signal, ...ask }) =>
      call(salesCurvesAnswer, `/sales-curves?${query({ ...ask })}`, undefined, signal),
    translations: ({ requestId, ...body }) =>
      call(translationsAnswer, '/translations', body, undefined, requestId),
    auction: ({ signal, requestId, ...ask }) =>
      call(auctionsAnswer, `/auctions?${query({ ...ask })}`, undefined, signal, requestId),
    campaigns: (values) => call(campaignsAnswer, `/own/campaigns?${query(values)}`),
    adTerms: (values) => call(adTermsAnswer, `/own/ad-terms?${query(values)}`),
    ownFields: (values) => call(ownFieldsAnswer, `/own/fields?${query(values)}`),
    indexStates: (body) => call(indexAnswer, '/own/index', body),
    publish: ({ requestId, ...body }) => call(publishAnswer, '/own/publish', body, undefined, requestId),
    reindex: (body) => call(reindexAnswer, '/own/reindex', body),
    resultPages: ({ signal, requestId, ...body }) =>
      call(resultPagesAnswer, '/result-pages', body, signal, requestId),
    metrics: ({ signal, requestId, ...body }) => call(metricsAnswer, '/metrics', body, signal, requestId),
    record: async ({ market, date, target, signal }) =>
      (await call(recordAnswer, `/records?${query({ market, date, target })}`, undefined, signal)).record,
    performance: (values) => call(performanceAnswer, `/own/performance?${query(values)}`),
  };
}

function refusal(status: number, code: string, message: string): KnownProblem {
  switch (code) {
    case 'allowance-spent':
      return new KnownProblem(code, message, 'Wait for the renewal, or ask for less.');
    case 'no-such-place':
    case 'place-not-supported':
      return new KnownProblem(
        'no-such-place',
        message,
        'Nothing local can be known there: figures of the whole market are never shown for it.',
      );
    case 'no-such-target':
      return new KnownProblem(code, message, 'Check the address, or try another market.');
    default:
      return new KnownProblem(status === 404 ? 'services-know-nothing' : 'services-refused', message);
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
