import type { FileExport, PoolChange, PoolPage, PoolQuery, ModeCounts } from '@opsimath/contract/api/pool';
import type { LookUp, LookUpChange, LookUpOrder, LookUpPrice } from '@opsimath/contract/api/lookUps';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

/** Look-ups and their pools. */
export const lookUpApi = api.injectEndpoints({
  endpoints: (build) => ({
    lookUps: build.query<LookUp[], number>({
      query: (project) => `/projects/${project}/look-ups`,
      providesTags: restsOn('lookUps'),
    }),
    lookUpPrice: build.query<LookUpPrice, InProject<{ request: LookUpOrder }>>({
      query: ({ project, request }) => ({
        url: `/projects/${project}/look-ups/price`,
        method: 'POST',
        body: request,
      }),
      providesTags: restsOn('lookUpPrice'),
    }),
    startLookUp: build.mutation<LookUp, InProject<{ request: LookUpOrder }>>({
      query: ({ project, request }) => ({
        url: `/projects/${project}/look-ups`,
        method: 'POST',
        body: request,
      }),
      invalidatesTags: touches('startLookUp'),
    }),
    pool: build.query<PoolPage, { lookUp: number; query: PoolQuery }>({
      query: ({ lookUp, query }) => ({ url: `/look-ups/${lookUp}/keywords`, params: toParams(query) }),
      providesTags: restsOn('pool'),
    }),
    changeLookUp: build.mutation<LookUp, { lookUp: number; change: LookUpChange }>({
      query: ({ lookUp, change }) => ({ url: `/look-ups/${lookUp}`, method: 'PATCH', body: change }),
      invalidatesTags: touches('changeLookUp'),
    }),
    lookUpAgain: build.mutation<LookUp, { lookUp: number; date: string }>({
      query: ({ lookUp, date }) => ({ url: `/look-ups/${lookUp}/again`, method: 'POST', body: { date } }),
      invalidatesTags: touches('lookUpAgain'),
    }),
    poolChange: build.query<PoolChange, { lookUp: number; against: number }>({
      query: ({ lookUp, against }) => ({ url: `/look-ups/${lookUp}/change`, params: { against } }),
      providesTags: restsOn('poolChange'),
    }),
    modeCounts: build.query<ModeCounts, InProject<{ market: string; date: string; seeds: string[] }>>({
      query: ({ project, ...body }) => ({
        url: `/projects/${project}/look-ups/mode-counts`,
        method: 'POST',
        body,
      }),
    }),
    exports: build.query<FileExport[], number>({
      query: (lookUp) => `/look-ups/${lookUp}/exports`,
      providesTags: restsOn('exports'),
    }),
  }),
});

export const {
  useLookUpsQuery,
  useLookUpPriceQuery,
  useStartLookUpMutation,
  usePoolQuery,
  useChangeLookUpMutation,
  useLookUpAgainMutation,
  usePoolChangeQuery,
  useModeCountsQuery,
  useExportsQuery,
} = lookUpApi;
