import type { ChangeAddition, PublishedChange } from '@opsimath/contract/api/drafts';
import { type InProject, api } from './api';
import { restsOn, touches } from './restsOn';

/** What was published or done otherwise, and what became of it. */
export const publishedApi = api.injectEndpoints({
  endpoints: (build) => ({
    publishDraft: build.mutation<
      { id: number },
      InProject<{
        id: number;
        way: 'service' | 'by hand';
        kind: ChangeAddition['kind'];
        date?: string;
        person: string;
      }>
    >({
      query: ({ project, id, ...body }) => ({
        url: `/projects/${project}/drafts/${id}/publish`,
        method: 'POST',
        body,
      }),
      invalidatesTags: touches('publishDraft'),
    }),
    published: build.query<PublishedChange[], InProject<{ market: string }>>({
      query: ({ project, market }) => ({ url: `/projects/${project}/published`, params: { market } }),
      providesTags: restsOn('published'),
    }),
    noteChange: build.mutation<{ id: number }, InProject<{ change: ChangeAddition }>>({
      query: ({ project, change }) => ({
        url: `/projects/${project}/published`,
        method: 'POST',
        body: change,
      }),
      invalidatesTags: touches('noteChange'),
    }),
    forgetChange: build.mutation<unknown, InProject<{ change: number }>>({
      query: ({ project, change }) => ({
        url: `/projects/${project}/published/${change}`,
        method: 'DELETE',
      }),
      invalidatesTags: touches('forgetChange'),
    }),
    askAgain: build.mutation<{ leftToday: number }, InProject<{ change: number }>>({
      query: ({ project, change }) => ({
        url: `/projects/${project}/published/${change}/again`,
        method: 'POST',
        body: {},
      }),
      invalidatesTags: touches('askAgain'),
    }),
  }),
});

export const {
  usePublishDraftMutation,
  usePublishedQuery,
  useNoteChangeMutation,
  useForgetChangeMutation,
  useAskAgainMutation,
} = publishedApi;
