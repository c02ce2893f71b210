import type { ComparisonScope, Dossier, GapPage, GapQuery, ShownPage } from '@opsimath/contract/api/gaps';
import type { Front, FrontRequest } from '@opsimath/contract/api/front';
import type {
  FileImport,
  FileReading,
  ImportKind,
  SavedPage,
  SitemapAnswer,
  UploadAnswer,
} from '@opsimath/contract/api/imports';
import type { Job } from '@opsimath/contract/api/jobs';
import type {
  FileExport,
  LookUp,
  LookUpOrder,
  LookUpPrice,
  PoolChange,
  PoolPage,
  PoolQuery,
} from '@opsimath/contract/api/lookUps';
import type { Problem } from '@opsimath/contract/api/problem';
import type { Project, ProjectOverview, ProjectSettings } from '@opsimath/contract/api/projects';
import type { Report } from '@opsimath/contract/api/report';
import type {
  BannedWord,
  ChannelKeywords,
  IndexOverview,
  RefreshAnswer,
  Side,
  Target,
  TargetChange,
  TargetKeywords,
  TargetProfile,
  TargetsAdded,
  TargetVersion,
} from '@opsimath/contract/api/targets';
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
  tagTypes: [
    'projects',
    'targets',
    'lookUps',
    'facts',
    'imports',
    'tracked',
    'pools',
    'banned',
    'index',
    'exports',
  ],
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
    changeTarget: build.mutation<Target, InProject<{ target: number; change: TargetChange }>>({
      query: ({ project, target, change }) => ({
        url: `/projects/${project}/targets/${target}`,
        method: 'PATCH',
        body: change,
      }),
      invalidatesTags: ['targets'],
    }),
    refreshTargets: build.mutation<RefreshAnswer, number>({
      query: (project) => ({ url: `/projects/${project}/targets/refresh`, method: 'POST', body: {} }),
      invalidatesTags: ['targets'],
    }),
    targetVersions: build.query<TargetVersion[], InProject<{ target: number }>>({
      query: ({ project, target }) => `/projects/${project}/targets/${target}/versions`,
      providesTags: ['targets'],
    }),
    targetProfile: build.query<TargetProfile, InProject<{ target: number; market: string; date: string }>>({
      query: ({ project, target, ...params }) => ({
        url: `/projects/${project}/targets/${target}/profile`,
        params,
      }),
      providesTags: ['targets', 'facts'],
    }),
    targetKeywords: build.query<TargetKeywords, InProject<{ target: number; market: string; date: string }>>({
      query: ({ project, target, ...params }) => ({
        url: `/projects/${project}/targets/${target}/keywords`,
        params,
      }),
      providesTags: ['targets', 'facts'],
    }),
    channelKeywords: build.query<ChannelKeywords, number>({
      query: (project) => `/projects/${project}/channel-keywords`,
      providesTags: ['targets'],
    }),
    front: build.query<Front, InProject<{ request: FrontRequest }>>({
      query: ({ project, request }) => ({ url: `/projects/${project}/front`, method: 'POST', body: request }),
      providesTags: ['targets'],
    }),
    bannedWords: build.query<BannedWord[], number>({
      query: (project) => `/projects/${project}/banned-words`,
      providesTags: ['banned'],
    }),
    addBannedWord: build.mutation<BannedWord[], InProject<{ word: Omit<BannedWord, 'id'> }>>({
      query: ({ project, word }) => ({
        url: `/projects/${project}/banned-words`,
        method: 'POST',
        body: word,
      }),
      invalidatesTags: ['banned', 'pools'],
    }),
    removeBannedWord: build.mutation<BannedWord[], InProject<{ id: number }>>({
      query: ({ project, id }) => ({ url: `/projects/${project}/banned-words/${id}`, method: 'DELETE' }),
      invalidatesTags: ['banned', 'pools'],
    }),
    index: build.query<IndexOverview, InProject<{ market: string }>>({
      query: ({ project, market }) => ({ url: `/projects/${project}/index`, params: { market } }),
      providesTags: ['index', 'targets'],
    }),
    checkIndex: build.mutation<IndexOverview, InProject<{ market: string }>>({
      query: ({ project, market }) => ({
        url: `/projects/${project}/index/check`,
        method: 'POST',
        body: { market },
      }),
      invalidatesTags: ['index'],
    }),
    uploadSitemap: build.mutation<SitemapAnswer, InProject<{ file: File }>>({
      query: ({ project, file }) => ({
        url: `/projects/${project}/sitemap`,
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: ['index'],
    }),
    uploadPage: build.mutation<
      { page: SavedPage; target: number },
      InProject<{ file: File; market: string; side: Side; address: string }>
    >({
      query: ({ project, file, ...params }) => ({
        url: `/projects/${project}/saved-pages`,
        method: 'POST',
        params: toParams(params),
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: ['targets', 'facts'],
    }),
    uploadArchive: build.mutation<{ project: Project; job: Job }, File>({
      query: (file) => ({
        url: '/archives',
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: ['projects'],
    }),
    job: build.query<Job, number>({ query: (id) => `/jobs/${id}`, keepUnusedDataFor: 0 }),
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
    uploadFile: build.mutation<UploadAnswer, InProject<{ file: File; kind?: ImportKind }>>({
      query: ({ project, file, kind }) => ({
        url: `/projects/${project}/imports`,
        method: 'POST',
        params: toParams({ name: file.name, kind }),
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: ['imports'],
    }),
    readAs: build.mutation<UploadAnswer['preview'], { id: number; kind: ImportKind }>({
      query: ({ id, kind }) => ({ url: `/imports/${id}/reading`, method: 'POST', body: { kind } }),
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
  useChangeTargetMutation,
  useRefreshTargetsMutation,
  useTargetVersionsQuery,
  useTargetProfileQuery,
  useTargetKeywordsQuery,
  useChannelKeywordsQuery,
  useFrontQuery,
  useBannedWordsQuery,
  useAddBannedWordMutation,
  useRemoveBannedWordMutation,
  useIndexQuery,
  useCheckIndexMutation,
  useUploadSitemapMutation,
  useUploadPageMutation,
  useUploadArchiveMutation,
  useJobQuery,
  useLookUpAgainMutation,
  usePoolChangeQuery,
  useModeCountsQuery,
  useExportsQuery,
  useReadAsMutation,
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
