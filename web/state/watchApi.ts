import type { EffectsView, Rechecked, WatchView } from '@opsimath/contract/api/watch';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

/** What is followed, what changes did, and fresh looks. */
export const watchApi = api.injectEndpoints({
  endpoints: (build) => ({
    watch: build.query<WatchView, InProject<{ market: string; date: string; from?: string }>>({
      query: ({ project, ...scope }) => ({ url: `/projects/${project}/watch`, params: toParams(scope) }),
      providesTags: restsOn('watch'),
    }),
    effects: build.query<EffectsView, InProject<{ market: string; date: string }>>({
      query: ({ project, ...params }) => ({ url: `/projects/${project}/effects`, params }),
      providesTags: restsOn('effects'),
    }),
    planWatch: build.mutation<
      { weekdays: number[]; before: number[]; started: number[] },
      InProject<{ market: string; weekdays: number[] }>
    >({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/watch/plan`, method: 'PUT', body }),
      invalidatesTags: touches('planWatch'),
    }),
    recheck: build.mutation<Rechecked, InProject<{ market: string; keywords: number[] }>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/watch/recheck`, method: 'POST', body }),
      invalidatesTags: touches('recheck'),
    }),
  }),
});

export const { useWatchQuery, useEffectsQuery, usePlanWatchMutation, useRecheckMutation } = watchApi;
