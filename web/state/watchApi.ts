import type {
  EffectsView,
  Presence,
  Rechecked,
  VisitMonth,
  WatchAlert,
  WatchTargets,
  WatchView,
} from '@opsimath/contract/api/watch';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

/** What is followed, what changes did, and fresh looks. */
export const watchApi = api.injectEndpoints({
  endpoints: (build) => ({
    watch: build.query<
      WatchView,
      InProject<{
        market: string;
        date: string;
        from?: string;
        limit?: number;
        find?: string;
        list?: number;
        target?: string;
      }>
    >({
      query: ({ project, ...scope }) => ({ url: `/projects/${project}/watch`, params: toParams(scope) }),
      providesTags: restsOn('watch'),
    }),
    effects: build.query<EffectsView, InProject<{ market: string; date: string }>>({
      query: ({ project, ...params }) => ({ url: `/projects/${project}/effects`, params }),
      providesTags: restsOn('effects'),
    }),
    watchDue: build.query<{ due: number }, InProject<{ market: string; date: string }>>({
      query: ({ project, ...params }) => ({ url: `/projects/${project}/watch/due`, params }),
      providesTags: restsOn('watchDue'),
    }),
    watchTargets: build.query<WatchTargets, InProject<{ market: string; date: string }>>({
      query: ({ project, ...params }) => ({ url: `/projects/${project}/watch/targets`, params }),
      providesTags: restsOn('watchTargets'),
    }),
    visits: build.query<VisitMonth[], number>({
      query: (project) => `/projects/${project}/visits`,
      providesTags: restsOn('visits'),
    }),
    /** Whether the title of a change is found word for word: 1 unit. */
    presence: build.mutation<Presence, InProject<{ market: string; change: number }>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/watch/presence`, method: 'POST', body }),
      invalidatesTags: touches('presence'),
    }),
    alerts: build.query<WatchAlert[], InProject<{ market: string; date: string }>>({
      query: ({ project, ...params }) => ({ url: `/projects/${project}/alerts`, params }),
      providesTags: restsOn('alerts'),
    }),
    feed: build.query<{ path: string | null }, number>({
      query: (project) => `/projects/${project}/feed`,
      providesTags: restsOn('feed'),
    }),
    /** Another address, or none. */
    setFeed: build.mutation<{ path: string | null }, InProject<{ open: boolean }>>({
      query: ({ project, open }) => ({
        url: `/projects/${project}/feed`,
        method: open ? 'POST' : 'DELETE',
        body: {},
      }),
      invalidatesTags: touches('setFeed'),
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

export const {
  useWatchQuery,
  useEffectsQuery,
  useVisitsQuery,
  useWatchDueQuery,
  useWatchTargetsQuery,
  usePresenceMutation,
  useAlertsQuery,
  useFeedQuery,
  useSetFeedMutation,
  usePlanWatchMutation,
  useRecheckMutation,
} = watchApi;
