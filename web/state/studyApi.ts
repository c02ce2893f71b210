import type { HandEntry, HandPosition } from '@opsimath/contract/api/handPositions';
import type { Reading, Study } from '@opsimath/contract/api/study';
import { type InProject, api } from './api';

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
      providesTags: ['studies', 'targets', 'projects', 'facts'],
    }),
    fetchRecords: build.mutation<Study | null, OfKeyword<Day>>({
      query: ({ project, keyword, ...body }) => ({
        url: `/projects/${project}/keywords/${keyword}/study/records`,
        method: 'POST',
        body,
      }),
      invalidatesTags: ['studies'],
    }),
    read: build.mutation<Reading, InProject<Reading>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/readings`, method: 'PUT', body }),
      invalidatesTags: ['studies'],
    }),
    handPositions: build.query<HandPosition[], OfKeyword>({
      query: ({ project, keyword }) => `/projects/${project}/keywords/${keyword}/hand`,
      providesTags: ['hand', 'targets'],
    }),
    addHandPosition: build.mutation<HandPosition[], OfKeyword<HandEntry>>({
      query: ({ project, keyword, ...body }) => ({
        url: `/projects/${project}/keywords/${keyword}/hand`,
        method: 'POST',
        body,
      }),
      invalidatesTags: ['hand', 'facts'],
    }),
    removeHandPosition: build.mutation<HandPosition[], OfKeyword<{ entry: number }>>({
      query: ({ project, keyword, entry }) => ({
        url: `/projects/${project}/keywords/${keyword}/hand/${entry}`,
        method: 'DELETE',
      }),
      invalidatesTags: ['hand', 'facts'],
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
