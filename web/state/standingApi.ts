import type { Around } from '@opsimath/contract/api/around';
import type { AuctionPrice, AuctionRequest, Bids, BidsQuery } from '@opsimath/contract/api/bids';
import type { Job } from '@opsimath/contract/api/jobs';
import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import type { KeywordHits, KeywordHitsQuery } from '@opsimath/contract/api/keywordHits';
import type { OverTime, OverTimeQuery } from '@opsimath/contract/api/overTime';
import type { OwnQueryPage, OwnQueryQuery } from '@opsimath/contract/api/ownQueries';
import type { PaidQuery, PaidView } from '@opsimath/contract/api/paid';
import type { SurfacesQuery, SurfacesView } from '@opsimath/contract/api/surfaces';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

/** How we stand beside the table of gaps: over time, in our own figures, in paid slots, across surfaces. */
const standingApi = api.injectEndpoints({
  endpoints: (build) => ({
    keywordHits: build.query<KeywordHits, InProject<{ query: KeywordHitsQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/keyword-hits`, params: toParams(query) }),
      providesTags: restsOn('keywordHits'),
    }),
    overTime: build.query<OverTime, InProject<{ query: OverTimeQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/over-time`, params: toParams(query) }),
      providesTags: restsOn('overTime'),
    }),
    around: build.query<Around, InProject<{ keyword: number; scope: ComparisonScope }>>({
      query: ({ project, keyword, scope }) => ({
        url: `/projects/${project}/keywords/${keyword}/around`,
        params: toParams(scope),
      }),
      providesTags: restsOn('around'),
    }),
    ownQueries: build.query<OwnQueryPage, InProject<{ query: OwnQueryQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/own-queries`, params: toParams(query) }),
      providesTags: restsOn('ownQueries'),
    }),
    paid: build.query<PaidView, InProject<{ query: PaidQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/paid`, params: toParams(query) }),
      providesTags: restsOn('paid'),
    }),
    bids: build.query<Bids, InProject<{ query: BidsQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/bids`, params: toParams(query) }),
      providesTags: restsOn('bids'),
    }),
    bringBids: build.mutation<{ kept: number }, InProject<{ market: string }>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/own-bids`, method: 'POST', body }),
      invalidatesTags: touches('bringBids'),
    }),
    auctionPrice: build.query<AuctionPrice, InProject<AuctionRequest>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/auctions/price`, method: 'POST', body }),
      providesTags: restsOn('auctionPrice'),
    }),
    observeAuctions: build.mutation<Job, InProject<AuctionRequest>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/auctions`, method: 'POST', body }),
    }),
    surfaces: build.query<SurfacesView, InProject<{ query: SurfacesQuery }>>({
      query: ({ project, query }) => ({ url: `/projects/${project}/surfaces`, params: toParams(query) }),
      providesTags: restsOn('surfaces'),
    }),
  }),
});

export const {
  useAroundQuery,
  useAuctionPriceQuery,
  useBidsQuery,
  useBringBidsMutation,
  useObserveAuctionsMutation,
  useKeywordHitsQuery,
  useOverTimeQuery,
  useOwnQueriesQuery,
  usePaidQuery,
  useSurfacesQuery,
} = standingApi;
