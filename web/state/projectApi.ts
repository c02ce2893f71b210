import type { KnownMarket, PlaceWithin } from '@opsimath/contract/api/markets';
import type { Job } from '@opsimath/contract/api/jobs';
import type { Project, ProjectOverview, SettingsChange } from '@opsimath/contract/api/projects';
import type { AllowanceAnswer } from '@opsimath/contract/source/answers';
import { type InProject, api, toParams } from './api';

export interface ServiceState {
  reachable: boolean;
  message: string | null;
  today: string | null;
  allowance: AllowanceAnswer | null;
}

/** Projects, markets, the services and long work. */
export const projectApi = api.injectEndpoints({
  endpoints: (build) => ({
    projects: build.query<Project[], void>({ query: () => '/projects', providesTags: ['projects'] }),
    createProject: build.mutation<Project, string>({
      query: (name) => ({ url: '/projects', method: 'POST', body: { name } }),
      invalidatesTags: ['projects'],
    }),
    changeProject: build.mutation<
      Project,
      InProject<{ name?: string; settings?: SettingsChange; settingsRevision?: number; person?: string }>
    >({
      query: ({ project, ...body }) => ({ url: `/projects/${project}`, method: 'PATCH', body }),
      invalidatesTags: ['projects', 'facts'],
    }),
    overview: build.query<ProjectOverview, InProject<{ market?: string }>>({
      query: ({ project, ...rest }) => ({ url: `/projects/${project}/overview`, params: toParams(rest) }),
      providesTags: ['targets', 'lookUps', 'facts', 'imports', 'tracked', 'verdicts'],
    }),
    markets: build.query<KnownMarket[], void>({ query: () => '/markets', providesTags: ['markets'] }),
    narrowMarket: build.mutation<KnownMarket, PlaceWithin>({
      query: (body) => ({ url: '/markets/places', method: 'POST', body }),
      invalidatesTags: ['markets'],
    }),
    services: build.query<ServiceState, void>({ query: () => '/services', keepUnusedDataFor: 5 }),
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
    cancelJob: build.mutation<Job, number>({
      query: (job) => ({ url: `/jobs/${job}/cancel`, method: 'POST' }),
    }),
    resumeJob: build.mutation<Job, number>({
      query: (job) => ({ url: `/jobs/${job}/resume`, method: 'POST' }),
      invalidatesTags: ['lookUps', 'imports'],
    }),
  }),
});

export const {
  useProjectsQuery,
  useCreateProjectMutation,
  useChangeProjectMutation,
  useOverviewQuery,
  useMarketsQuery,
  useNarrowMarketMutation,
  useServicesQuery,
  useUploadArchiveMutation,
  useJobQuery,
  useCancelJobMutation,
  useResumeJobMutation,
} = projectApi;
