import { GROUNDS } from '@opsimath/contract/api/grounds';
import type { Problem } from '@opsimath/contract/api/problem';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import { WINDOW } from './window';
import { problemWords, t } from '../words/t';

export type InProject<T = unknown> = T & { project: number };

/** Values as the API reads them from an address: lists joined by commas, nothing for what is not set. */
export function toParams(values: object): Record<string, string> {
  const entries = Object.entries(values).flatMap(([name, value]): [string, string][] => {
    if (value === undefined || value === null || value === '') return [];
    if (Array.isArray(value)) return value.length > 0 ? [[name, value.join(',')]] : [];
    return [[name, String(value)]];
  });
  return Object.fromEntries(entries);
}

/** The connection to the server; each room adds its own questions (projectApi, rosterApi, …). */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({
    baseUrl: '/api',
    prepareHeaders: (headers) => void headers.set('x-window', WINDOW),
  }),
  tagTypes: GROUNDS,
  endpoints: () => ({}),
});

/** What to tell a person about a failed request. */
export function problemOf(error: unknown): Problem {
  const { data, status } = (error ?? {}) as { data?: Partial<Problem>; status?: unknown };
  if (data?.message) {
    const { code = 'broken', message, todo } = data;
    const own = problemWords(code);
    // Names and figures of the case stand in the server’s own sentence: it is not left out.
    return own === undefined
      ? { code, message, todo }
      : { code, message: own, todo: t('shell:api.inTheServersWords', { message }) };
  }
  if (status === 'FETCH_ERROR') {
    return {
      code: 'away',
      message: t('shell:api.theApplicationDoesNotAnswer'),
      todo: t('shell:api.checkThatItRunsThisPage'),
    };
  }
  return {
    code: 'broken',
    message: t('shell:api.somethingUnforeseenHappened'),
    todo: t('shell:api.reloadThePage'),
  };
}
