import { patched } from '@opsimath/contract/api/patch';
import type { KnownMarket, PlaceWithin } from '@opsimath/contract/api/markets';
import type { Job } from '@opsimath/contract/api/jobs';
import type {
  Project,
  ProjectOverview,
  ProjectSettings,
  SettingsChange,
} from '@opsimath/contract/api/projects';
import type { AllowanceAnswer } from '@opsimath/contract/source/answers';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

export interface ServiceState {
  reachable: boolean;
  message: string | null;
  today: string | null;
  allowance: AllowanceAnswer | null;
}

/** Projects, markets, the services and long work. */
export const projectApi = api.injectEndpoints({
  endpoints: (build) => ({
    projects: build.query<Project[], void>({ query: () => '/projects', providesTags: restsOn('projects') }),
    createProject: build.mutation<Project, string>({
      query: (name) => ({ url: '/projects', method: 'POST', body: { name } }),
      invalidatesTags: touches('createProject'),
    }),
    changeProject: build.mutation<
      Project,
      InProject<{ name?: string; settings?: SettingsChange; settingsRevision?: number; person?: string }>
    >({
      query: ({ project, ...body }) => ({ url: `/projects/${project}`, method: 'PATCH', body }),
      invalidatesTags: touches('changeProject'),
      // Seen at once, so that two changes in a row rest on each other; should the server refuse, what it holds comes back.
      async onQueryStarted({ project, name, settings = {} }, { dispatch, queryFulfilled }) {
        const shown = dispatch(
          projectApi.util.updateQueryData('projects', undefined, (projects) => {
            const found = projects.find(({ id }) => id === project);
            if (!found) return;
            found.name = name ?? found.name;
            found.settings = patched<ProjectSettings>(found.settings, settings);
          }),
        );
        await queryFulfilled.catch(() => {
          shown.undo();
          dispatch(api.util.invalidateTags(['projects']));
        });
      },
    }),
    overview: build.query<ProjectOverview, InProject<{ market?: string }>>({
      query: ({ project, ...rest }) => ({ url: `/projects/${project}/overview`, params: toParams(rest) }),
      providesTags: restsOn('overview'),
    }),
    markets: build.query<KnownMarket[], void>({ query: () => '/markets', providesTags: restsOn('markets') }),
    narrowMarket: build.mutation<KnownMarket, PlaceWithin>({
      query: (body) => ({ url: '/markets/places', method: 'POST', body }),
      invalidatesTags: touches('narrowMarket'),
    }),
    services: build.query<ServiceState, void>({ query: () => '/services', keepUnusedDataFor: 5 }),
    uploadArchive: build.mutation<{ project: Project; job: Job }, File>({
      query: (file) => ({
        url: '/archives',
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: touches('uploadArchive'),
    }),
    job: build.query<Job, number>({ query: (id) => `/jobs/${id}`, keepUnusedDataFor: 0 }),
    cancelJob: build.mutation<Job, number>({
      query: (job) => ({ url: `/jobs/${job}/cancel`, method: 'POST' }),
    }),
    resumeJob: build.mutation<Job, number>({
      query: (job) => ({ url: `/jobs/${job}/resume`, method: 'POST' }),
      invalidatesTags: touches('resumeJob'),
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
