import type { ComparisonScope, Dossier, GapPage, GapQuery, ShownPage } from '@opsimath/contract/api/gaps';
import type { FileImport, FileReading, UploadAnswer } from '@opsimath/contract/api/imports';
import type { Job } from '@opsimath/contract/api/jobs';
import type { LookUp, LookUpPrice, LookUpRequest, PoolPage, PoolQuery } from '@opsimath/contract/api/lookUps';
import type { Problem } from '@opsimath/contract/api/problem';
import type { Project, ProjectOverview, ProjectSettings } from '@opsimath/contract/api/projects';
import type { Report } from '@opsimath/contract/api/report';
import type { Side, Target, TargetsAdded } from '@opsimath/contract/api/targets';
import type { AllowanceAnswer, SourceMarket } from '@opsimath/contract/source/answers';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

type InProject<T = unknown> = T & { project: number };

/** Values as the API reads them from an address: lists joined by commas, nothing for what is not set. */
export function toParams(values: object): Record<string, string> {
  const entries = Object.entries(values).flatMap(([name, value]): [string, string][] => {
    if (value === undefined || value === null || value === '') return [];
    if (Array.isArray(value)) return value.length > 0 ? [[name, value.join(',')]] : [];
    return [[name, String(value)]];
  });
  return Object.fromEntries(entries);
}

export interface ServiceState {
  reachable: boolean;
  message: string | null;
  today: string | null;
  allowance: AllowanceAnswer | null;
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['projects', 'targets', 'lookUps', 'facts', 'imports', 'tracked', 'pools'],
  endpoints: (build) => ({
    projects: build.query<Project[], void>({ query: () => '/projects', providesTags: ['projects'] }),
    createProject: build.mutation<Project, string>({
      query: (name) => ({ url: '/projects', method: 'POST', body: { name } }),
      invalidatesTags: ['projects'],
    }),
    changeProject: build.mutation<Project, InProject<{ name?: string; settings?: Partial<ProjectSettings> }>>(
      {
        query: ({ project, ...body }) => ({ url: `/projects/${project}`, method: 'PATCH', body }),
        invalidatesTags: ['projects', 'facts'],
      },
    ),
    overview: build.query<ProjectOverview, InProject<{ market?: string }>>({
      query: ({ project, ...rest }) => ({ url: `/projects/${project}/overview`, params: toParams(rest) }),
      providesTags: ['targets', 'lookUps', 'facts', 'imports', 'tracked'],
    }),
    markets: build.query<SourceMarket[], void>({ query: () => '/markets' }),
    services: build.query<ServiceState, void>({ query: () => '/services', keepUnusedDataFor: 5 }),
    targets: build.query<Target[], number>({
      query: (project) => `/projects/${project}/targets`,
      providesTags: ['targets'],
    }),
    addTargets: build.mutation<TargetsAdded, InProject<{ side: Side; market: string; text: string }>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/targets`, method: 'POST', body }),
      invalidatesTags: ['targets', 'facts'],
    }),
    removeTarget: build.mutation<unknown, InProject<{ target: number }>>({
      query: ({ project, target }) => ({ url: `/projects/${project}/targets/${target}`, method: 'DELETE' }),
      invalidatesTags: ['targets', 'facts'],
    }),
    lookUps: build.query<LookUp[], number>({
      query: (project) => `/projects/${project}/look-ups`,
      providesTags: ['lookUps'],
    }),
    lookUpPrice: build.query<LookUpPrice, InProject<{ request: LookUpRequest }>>({
      query: ({ project, request }) => ({
        url: `/projects/${project}/look-ups/price`,
        method: 'POST',
        body: request,
      }),
      providesTags: ['lookUps', 'facts'],
    }),
    startLookUp: build.mutation<LookUp, InProject<{ request: LookUpRequest }>>({
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
    cancelJob: build.mutation<Job, number>({
      query: (job) => ({ url: `/jobs/${job}/cancel`, method: 'POST' }),
    }),
    resumeJob: build.mutation<Job, number>({
      query: (job) => ({ url: `/jobs/${job}/resume`, method: 'POST' }),
      invalidatesTags: ['lookUps', 'imports'],
    }),
    gapPage: build.query<GapPage, InProject<{ query: GapQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/gaps`, params: toParams(query) }),
      providesTags: ['facts', 'targets', 'tracked'],
    }),
    dossier: build.query<Dossier, InProject<{ keyword: number; scope: ComparisonScope }>>({
      query: ({ project, keyword, scope }) => ({
        url: `/projects/${project}/keywords/${keyword}/dossier`,
        params: toParams(scope),
      }),
      providesTags: ['facts', 'targets', 'tracked'],
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
      providesTags: ['facts', 'targets'],
    }),
    imports: build.query<FileImport[], number>({
      query: (project) => `/projects/${project}/imports`,
      providesTags: ['imports'],
    }),
    uploadFile: build.mutation<UploadAnswer, InProject<{ file: File }>>({
      query: ({ project, file }) => ({
        url: `/projects/${project}/imports`,
        method: 'POST',
        params: { name: file.name },
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: ['imports'],
    }),
    startImport: build.mutation<FileImport, { id: number; market: string; reading: FileReading }>({
      query: ({ id, ...body }) => ({ url: `/imports/${id}/start`, method: 'POST', body }),
      invalidatesTags: ['imports'],
    }),
    rejections: build.query<
      { total: number; rows: { line: number; reason: string; content: string }[] },
      number
    >({
      query: (id) => `/imports/${id}/rejections`,
      providesTags: ['imports'],
    }),
  }),
});

export const {
  useProjectsQuery,
  useCreateProjectMutation,
  useChangeProjectMutation,
  useOverviewQuery,
  useMarketsQuery,
  useServicesQuery,
  useTargetsQuery,
  useAddTargetsMutation,
  useRemoveTargetMutation,
  useLookUpsQuery,
  useLookUpPriceQuery,
  useStartLookUpMutation,
  usePoolQuery,
  useCancelJobMutation,
  useResumeJobMutation,
  useGapPageQuery,
  useDossierQuery,
  useResultPageQuery,
  useTrackMutation,
  useReportQuery,
  useImportsQuery,
  useUploadFileMutation,
  useStartImportMutation,
  useRejectionsQuery,
} = api;

/** What to tell a person about a failed request. */
export function problemOf(error: unknown): Problem {
  const { data, status } = (error ?? {}) as { data?: Partial<Problem>; status?: unknown };
  if (data?.message) return { code: data.code ?? 'broken', message: data.message, todo: data.todo };
  if (status === 'FETCH_ERROR') {
    return {
      code: 'away',
      message: 'The application does not answer.',
      todo: 'Check that it runs; this page goes on when it is back.',
    };
  }
  return { code: 'broken', message: 'Something unforeseen happened.', todo: 'Reload the page.' };
}
