import type { CoverageRequest, TargetCoverage } from '@opsimath/contract/api/coverage';
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
  TargetKeywordsQuery,
  TargetMarkets,
  TargetProfile,
  TargetsAdded,
  TargetVersion,
} from '@opsimath/contract/api/targets';
import { type InProject, api } from './api';
import { restsOn, touches } from './restsOn';

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
  useTargetCoverageQuery,
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
    targetCoverage: build.query<TargetCoverage, InProject<{ target: number } & CoverageRequest>>({
      query: ({ project, target, ...body }) => ({
        url: `/projects/${project}/targets/${target}/coverage`,
        method: 'POST',
        body,
      }),
      providesTags: restsOn('targetCoverage'),
    }),
    targets: build.query<Target[], number>({
      query: (project) => `/projects/${project}/targets`,
      providesTags: restsOn('targets'),
    }),
    addTargets: build.mutation<TargetsAdded, InProject<{ side: Side; market: string; text: string }>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/targets`, method: 'POST', body }),
      invalidatesTags: touches('addTargets'),
    }),
    removeTarget: build.mutation<unknown, InProject<{ target: number }>>({
      query: ({ project, target }) => ({ url: `/projects/${project}/targets/${target}`, method: 'DELETE' }),
      invalidatesTags: touches('removeTarget'),
    }),
    changeTarget: build.mutation<Target, InProject<{ target: number; change: TargetChange }>>({
      query: ({ project, target, change }) => ({
        url: `/projects/${project}/targets/${target}`,
        method: 'PATCH',
        body: change,
      }),
      invalidatesTags: touches('changeTarget'),
    }),
    refreshTargets: build.mutation<RefreshAnswer, number>({
      query: (project) => ({ url: `/projects/${project}/targets/refresh`, method: 'POST', body: {} }),
      invalidatesTags: touches('refreshTargets'),
    }),
    targetVersions: build.query<TargetVersion[], InProject<{ target: number }>>({
      query: ({ project, target }) => `/projects/${project}/targets/${target}/versions`,
      providesTags: restsOn('targetVersions'),
    }),
    targetProfile: build.query<TargetProfile, InProject<{ target: number; market: string; date: string }>>({
      query: ({ project, target, ...params }) => ({
        url: `/projects/${project}/targets/${target}/profile`,
        params,
      }),
      providesTags: restsOn('targetProfile'),
    }),
    targetKeywords: build.query<TargetKeywords, InProject<{ target: number } & TargetKeywordsQuery>>({
      query: ({ project, target, ...params }) => ({
        url: `/projects/${project}/targets/${target}/keywords`,
        params,
      }),
      providesTags: restsOn('targetKeywords'),
    }),
    targetMarkets: build.query<TargetMarkets, InProject<{ target: number; date: string }>>({
      query: ({ project, target, date }) => ({
        url: `/projects/${project}/targets/${target}/markets`,
        params: { date },
      }),
      providesTags: restsOn('targetMarkets'),
    }),
    channelKeywords: build.query<ChannelKeywords, number>({
      query: (project) => `/projects/${project}/channel-keywords`,
      providesTags: restsOn('channelKeywords'),
    }),
    front: build.query<Front, InProject<{ request: FrontRequest }>>({
      query: ({ project, request }) => ({ url: `/projects/${project}/front`, method: 'POST', body: request }),
      providesTags: restsOn('front'),
    }),
    bannedWords: build.query<BannedWord[], number>({
      query: (project) => `/projects/${project}/banned-words`,
      providesTags: restsOn('bannedWords'),
    }),
    addBannedWord: build.mutation<BannedWord[], InProject<{ word: Omit<BannedWord, 'id'> }>>({
      query: ({ project, word }) => ({
        url: `/projects/${project}/banned-words`,
        method: 'POST',
        body: word,
      }),
      invalidatesTags: touches('addBannedWord'),
    }),
    removeBannedWord: build.mutation<BannedWord[], InProject<{ id: number }>>({
      query: ({ project, id }) => ({ url: `/projects/${project}/banned-words/${id}`, method: 'DELETE' }),
      invalidatesTags: touches('removeBannedWord'),
    }),
    index: build.query<IndexOverview, InProject<{ market: string }>>({
      query: ({ project, market }) => ({ url: `/projects/${project}/index`, params: { market } }),
      providesTags: restsOn('index'),
    }),
    checkIndex: build.mutation<IndexOverview, InProject<{ market: string }>>({
      query: ({ project, market }) => ({
        url: `/projects/${project}/index/check`,
        method: 'POST',
        body: { market },
      }),
      invalidatesTags: touches('checkIndex'),
    }),
  }),
});
