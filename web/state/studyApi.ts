import type { HandEntry, HandPosition } from '@opsimath/contract/api/handPositions';
import type { Reading, Study } from '@opsimath/contract/api/study';
import { type InProject, api } from './api';
import { restsOn, touches } from './restsOn';

type OfKeyword<T = unknown> = InProject<T & { keyword: number }>;
type Day = { market: string; date: string };

/** The study of a front, and positions typed in by hand. */
export const studyApi = api.injectEndpoints({
  endpoints: (build) => ({
    study: build.query<Study | null, OfKeyword<Day>>({
      query: ({ project, keyword, market, date }) => ({
        url: `/projects/${project}/keywords/${keyword}/study`,
        params: { market, date },
      }),
      providesTags: restsOn('study'),
    }),
    fetchRecords: build.mutation<Study | null, OfKeyword<Day>>({
      query: ({ project, keyword, ...body }) => ({
        url: `/projects/${project}/keywords/${keyword}/study/records`,
        method: 'POST',
        body,
      }),
      invalidatesTags: touches('fetchRecords'),
    }),
    read: build.mutation<Reading, InProject<Reading>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/readings`, method: 'PUT', body }),
      invalidatesTags: touches('read'),
    }),
    handPositions: build.query<HandPosition[], OfKeyword>({
      query: ({ project, keyword }) => `/projects/${project}/keywords/${keyword}/hand`,
      providesTags: restsOn('handPositions'),
    }),
    addHandPosition: build.mutation<HandPosition[], OfKeyword<HandEntry>>({
      query: ({ project, keyword, ...body }) => ({
        url: `/projects/${project}/keywords/${keyword}/hand`,
        method: 'POST',
        body,
      }),
      invalidatesTags: touches('addHandPosition'),
    }),
    removeHandPosition: build.mutation<HandPosition[], OfKeyword<{ entry: number }>>({
      query: ({ project, keyword, entry }) => ({
        url: `/projects/${project}/keywords/${keyword}/hand/${entry}`,
        method: 'DELETE',
      }),
      invalidatesTags: touches('removeHandPosition'),
    }),
  }),
});

export const {
  useStudyQuery,
  useFetchRecordsMutation,
  useReadMutation,
  useHandPositionsQuery,
  useAddHandPositionMutation,
  useRemoveHandPositionMutation,
} = studyApi;
