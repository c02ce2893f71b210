import type {
  FileExport,
  LookUp,
  LookUpOrder,
  LookUpPrice,
  PoolChange,
  PoolPage,
  PoolQuery,
} from '@opsimath/contract/api/lookUps';
import { type InProject, api, toParams } from './api';

/** Look-ups and their pools. */
export const lookUpApi = api.injectEndpoints({
  endpoints: (build) => ({
    lookUps: build.query<LookUp[], number>({
      query: (project) => `/projects/${project}/look-ups`,
      providesTags: ['lookUps'],
    }),
    lookUpPrice: build.query<LookUpPrice, InProject<{ request: LookUpOrder }>>({
      query: ({ project, request }) => ({
        url: `/projects/${project}/look-ups/price`,
        method: 'POST',
        body: request,
      }),
      providesTags: ['lookUps', 'facts'],
    }),
    startLookUp: build.mutation<LookUp, InProject<{ request: LookUpOrder }>>({
      query: ({ project, request }) => ({
        url: `/projects/${project}/look-ups`,
        method: 'POST',
        body: request,
      }),
      invalidatesTags: ['lookUps'],
    }),
    pool: build.query<PoolPage, { lookUp: number; query: PoolQuery }>({
      query: ({ lookUp, query }) => ({ url: `/look-ups/${lookUp}/keywords`, params: toParams(query) }),
      providesTags: ['facts', 'pools'],
    }),
    lookUpAgain: build.mutation<LookUp, { lookUp: number; date: string }>({
      query: ({ lookUp, date }) => ({ url: `/look-ups/${lookUp}/again`, method: 'POST', body: { date } }),
      invalidatesTags: ['lookUps'],
    }),
    poolChange: build.query<PoolChange, { lookUp: number; against: number }>({
      query: ({ lookUp, against }) => ({ url: `/look-ups/${lookUp}/change`, params: { against } }),
      providesTags: ['facts', 'pools'],
    }),
    modeCounts: build.query<
      { counts: { mode: string; keywords: number }[] },
      InProject<{ market: string; date: string; text: string }>
    >({
      query: ({ project, ...body }) => ({
        url: `/projects/${project}/look-ups/mode-counts`,
        method: 'POST',
        body,
      }),
    }),
    exports: build.query<FileExport[], number>({
      query: (lookUp) => `/look-ups/${lookUp}/exports`,
      providesTags: ['exports'],
    }),
  }),
});

export const {
  useLookUpsQuery,
  useLookUpPriceQuery,
  useStartLookUpMutation,
  usePoolQuery,
  useLookUpAgainMutation,
  usePoolChangeQuery,
  useModeCountsQuery,
  useExportsQuery,
} = lookUpApi;
