import type { ActionChoice, Dossier, DossierQuery, ShownPage } from '@opsimath/contract/api/dossier';
import type { GapGroupQuery, GapGroups, GapPage } from '@opsimath/contract/api/gaps';
import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { MarketModels } from '@opsimath/contract/api/models';
import type { WhatToDo, WhatToDoQuery } from '@opsimath/contract/api/whatToDo';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

/** Gaps, dossiers, the report. */
export const gapsApi = api.injectEndpoints({
  endpoints: (build) => ({
    gapPage: build.query<GapPage, InProject<{ query: GapQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/gaps`, params: toParams(query) }),
      providesTags: restsOn('gapPage'),
    }),
    gapGroups: build.query<GapGroups, InProject<{ query: GapGroupQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/gaps/groups`, params: toParams(query) }),
      providesTags: restsOn('gapGroups'),
    }),
    whatToDo: build.query<WhatToDo, InProject<{ query: WhatToDoQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/what-to-do`, params: toParams(query) }),
      providesTags: restsOn('whatToDo'),
    }),
    models: build.query<MarketModels, InProject<{ market: string; date: string }>>({
      query: ({ project, ...params }) => ({ url: `/projects/${project}/models`, params }),
      providesTags: restsOn('models'),
    }),
    dossier: build.query<Dossier, InProject<{ keyword: number; scope: DossierQuery }>>({
      query: ({ project, keyword, scope }) => ({
        url: `/projects/${project}/keywords/${keyword}/dossier`,
        params: toParams(scope),
      }),
      providesTags: restsOn('dossier'),
    }),
    resultPage: build.query<ShownPage | null, InProject<{ keyword: number; market: string; date: string }>>({
      query: ({ project, keyword, ...params }) => ({
        url: `/projects/${project}/keywords/${keyword}/result-page`,
        params,
      }),
      providesTags: restsOn('resultPage'),
    }),
    chooseAction: build.mutation<unknown, InProject<{ keyword: number } & ActionChoice>>({
      query: ({ project, keyword, ...body }) => ({
        url: `/projects/${project}/keywords/${keyword}/action`,
        method: 'PUT',
        body,
      }),
      invalidatesTags: touches('chooseAction'),
    }),
    track: build.mutation<unknown, InProject<{ keywords: number[]; follow: boolean }>>({
      query: ({ project, keywords, follow }) => ({
        url: `/projects/${project}/tracked`,
        method: follow ? 'POST' : 'DELETE',
        body: { keywords },
      }),
      invalidatesTags: touches('track'),
    }),
  }),
});

export const {
  useGapPageQuery,
  useGapGroupsQuery,
  useDossierQuery,
  useWhatToDoQuery,
  useModelsQuery,
  useResultPageQuery,
  useChooseActionMutation,
  useTrackMutation,
} = gapsApi;
