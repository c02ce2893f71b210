import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import type { AdGroup } from '@opsimath/contract/api/adGroups';
import type {
  Draft,
  DraftAddition,
  DraftChange,
  DraftSummary,
  OwnCopy,
  SeveralDrafts,
  WrittenText,
  Packing,
  PackingRequest,
  SecondCopy,
  SecondKeywords,
} from '@opsimath/contract/api/drafts';
import { type InProject, api } from './api';
import { restsOn, touches } from './restsOn';

/** Drafts, what is published from them, and what became of that. */
export const draftsApi = api.injectEndpoints({
  endpoints: (build) => ({
    drafts: build.query<DraftSummary[], InProject<{ market: string }>>({
      query: ({ project, market }) => ({ url: `/projects/${project}/drafts`, params: { market } }),
      providesTags: restsOn('drafts'),
    }),
    draft: build.query<Draft, InProject<{ id: number; date: string }>>({
      query: ({ project, id, date }) => ({ url: `/projects/${project}/drafts/${id}`, params: { date } }),
      providesTags: restsOn('draft'),
    }),
    draftMaterial: build.query<DraftMaterial, InProject<{ id: number; date: string }>>({
      query: ({ project, id, date }) => ({
        url: `/projects/${project}/drafts/${id}/material`,
        params: { date },
      }),
      providesTags: restsOn('draftMaterial'),
    }),
    addDraft: build.mutation<{ id: number }, InProject<{ draft: DraftAddition }>>({
      query: ({ project, draft }) => ({ url: `/projects/${project}/drafts`, method: 'POST', body: draft }),
      invalidatesTags: touches('addDraft'),
    }),
    /** What is typed is kept without asking for the draft anew: it is on the screen already. */
    changeDraft: build.mutation<{ revision: number }, InProject<{ id: number; change: DraftChange }>>({
      query: ({ project, id, change }) => ({
        url: `/projects/${project}/drafts/${id}`,
        method: 'PATCH',
        body: change,
      }),
      invalidatesTags: touches('changeDraft'),
    }),
    removeDraft: build.mutation<unknown, InProject<{ id: number }>>({
      query: ({ project, id }) => ({ url: `/projects/${project}/drafts/${id}`, method: 'DELETE' }),
      invalidatesTags: touches('removeDraft'),
    }),
    keepVersion: build.mutation<unknown, InProject<{ id: number; name: string; person: string }>>({
      query: ({ project, id, ...body }) => ({
        url: `/projects/${project}/drafts/${id}/versions`,
        method: 'POST',
        body,
      }),
      invalidatesTags: touches('keepVersion'),
    }),
    ownCopy: build.query<OwnCopy, InProject<{ market: string; date: string }>>({
      query: ({ project, ...params }) => ({ url: `/projects/${project}/own-copy`, params }),
      providesTags: restsOn('ownCopy'),
    }),
    severalDrafts: build.mutation<{ ids: number[] }, InProject<SeveralDrafts>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/drafts/several`, method: 'POST', body }),
      invalidatesTags: touches('severalDrafts'),
    }),
    removeDrafts: build.mutation<unknown, InProject<{ ids: number[] }>>({
      query: ({ project, ids }) => ({
        url: `/projects/${project}/drafts/remove`,
        method: 'POST',
        body: { ids },
      }),
      invalidatesTags: touches('removeDrafts'),
    }),
    adGroup: build.query<AdGroup, InProject<{ id: number; date: string; budget: number; wanted: number }>>({
      query: ({ project, id, ...params }) => ({ url: `/projects/${project}/drafts/${id}/bids`, params }),
      providesTags: restsOn('adGroup'),
    }),
    secondKeywords: build.query<SecondKeywords, InProject<{ id: number; language: SecondCopy['language'] }>>({
      query: ({ project, id, language }) => ({
        url: `/projects/${project}/drafts/${id}/second`,
        params: { language },
      }),
      providesTags: restsOn('secondKeywords'),
    }),
    secondCopy: build.mutation<
      { fields: Record<string, string>; units: number },
      InProject<{ id: number; language: SecondCopy['language'] }>
    >({
      query: ({ project, id, ...body }) => ({
        url: `/projects/${project}/drafts/${id}/second`,
        method: 'POST',
        body,
      }),
      invalidatesTags: touches('secondCopy'),
    }),
    readWritten: build.mutation<WrittenText, Blob>({
      query: (body) => ({
        url: '/written-text',
        method: 'POST',
        body,
        headers: { 'content-type': 'application/octet-stream' },
      }),
    }),
    pack: build.mutation<Packing, PackingRequest>({
      query: (body) => ({ url: '/packing', method: 'POST', body }),
    }),
  }),
});

export const {
  useDraftsQuery,
  useDraftQuery,
  useDraftMaterialQuery,
  useAddDraftMutation,
  useChangeDraftMutation,
  useRemoveDraftMutation,
  useKeepVersionMutation,
  useSecondCopyMutation,
  useSecondKeywordsQuery,
  useOwnCopyQuery,
  useAdGroupQuery,
  useSeveralDraftsMutation,
  usePackMutation,
  useReadWrittenMutation,
} = draftsApi;
