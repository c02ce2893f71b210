import type { Dossier, DossierQuery, ShownPage } from '@opsimath/contract/api/dossier';
import type {
  ComparisonScope,
  GapGroupQuery,
  GapGroups,
  GapPage,
  GapQuery,
} from '@opsimath/contract/api/gaps';
import type { MarketModels } from '@opsimath/contract/api/models';
import type { Report } from '@opsimath/contract/api/report';
import { type InProject, api, toParams } from './api';

/** Gaps, dossiers, the report. */
export const gapsApi = api.injectEndpoints({
  endpoints: (build) => ({
    gapPage: build.query<GapPage, InProject<{ query: GapQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/gaps`, params: toParams(query) }),
      providesTags: ['facts', 'targets', 'tracked', 'verdicts', 'lists'],
    }),
    gapGroups: build.query<GapGroups, InProject<{ query: GapGroupQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/gaps/groups`, params: toParams(query) }),
      providesTags: ['facts', 'targets', 'verdicts', 'lists'],
    }),
    models: build.query<MarketModels, InProject<{ market: string; date: string }>>({
      query: ({ project, ...params }) => ({ url: `/projects/${project}/models`, params }),
      providesTags: ['facts', 'projects'],
    }),
    dossier: build.query<Dossier, InProject<{ keyword: number; scope: DossierQuery }>>({
      query: ({ project, keyword, scope }) => ({
        url: `/projects/${project}/keywords/${keyword}/dossier`,
        params: toParams(scope),
      }),
      providesTags: ['facts', 'targets', 'tracked', 'verdicts'],
    }),
    resultPage: build.query<ShownPage | null, InProject<{ keyword: number; market: string; date: string }>>({
      query: ({ project, keyword, ...params }) => ({
        url: `/projects/${project}/keywords/${keyword}/result-page`,
        params,
      }),
      providesTags: ['facts', 'targets'],
    }),
    track: build.mutation<unknown, InProject<{ keywords: number[]; follow: boolean }>>({
      query: ({ project, keywords, follow }) => ({
        url: `/projects/${project}/tracked`,
        method: follow ? 'POST' : 'DELETE',
        body: { keywords },
      }),
      invalidatesTags: ['tracked'],
    }),
    report: build.query<Report, InProject<{ scope: ComparisonScope; top?: number }>>({
      query: ({ project, scope, top }) => ({
        url: `/projects/${project}/report`,
        params: toParams({ ...scope, top }),
      }),
      providesTags: ['facts', 'targets', 'verdicts'],
    }),
  }),
});

export const {
  useGapPageQuery,
  useGapGroupsQuery,
  useDossierQuery,
  useModelsQuery,
  useResultPageQuery,
  useTrackMutation,
  useReportQuery,
} = gapsApi;
