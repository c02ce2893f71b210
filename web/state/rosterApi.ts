import type { Front, FrontRequest } from '@opsimath/contract/api/front';
import type {
  BannedWord,
  ChannelKeywords,
  IndexOverview,
  RefreshAnswer,
  Side,
  Target,
  TargetChange,
  TargetKeywords,
  TargetMarkets,
  TargetProfile,
  TargetsAdded,
  TargetVersion,
} from '@opsimath/contract/api/targets';
import { type InProject, api } from './api';

/** Targets, fronts, words not to be used, the index. */
export const {
  useTargetsQuery,
  useAddTargetsMutation,
  useRemoveTargetMutation,
  useChangeTargetMutation,
  useRefreshTargetsMutation,
  useTargetVersionsQuery,
  useTargetProfileQuery,
  useTargetKeywordsQuery,
  useTargetMarketsQuery,
  useChannelKeywordsQuery,
  useFrontQuery,
  useBannedWordsQuery,
  useAddBannedWordMutation,
  useRemoveBannedWordMutation,
  useIndexQuery,
  useCheckIndexMutation,
} = api.injectEndpoints({
  endpoints: (build) => ({
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
    targetMarkets: build.query<TargetMarkets, InProject<{ target: number; date: string }>>({
      query: ({ project, target, date }) => ({
        url: `/projects/${project}/targets/${target}/markets`,
        params: { date },
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
  }),
});
