import type { Marker, MarkerAddition, Marking } from '@opsimath/contract/api/markers';
import type { OutsidePreview } from '@opsimath/contract/api/outside';
import type { ListRenewal, KeywordList } from '@opsimath/contract/api/lists';
import type {
  TranslationAnswer,
  TranslationAsk,
  VariantChoices,
  VariantPage,
  VariantQuery,
} from '@opsimath/contract/api/variants';
import { type InProject, api } from './api';
import { restsOn, touches } from './restsOn';

/** Variants, translations, markers, and lists made again. */
export const variantsApi = api.injectEndpoints({
  endpoints: (build) => ({
    variants: build.query<VariantPage, { lookUp: number; query: VariantQuery }>({
      query: ({ lookUp, query }) => ({
        url: `/look-ups/${lookUp}/sift/variants`,
        method: 'POST',
        body: query,
      }),
      providesTags: restsOn('variants'),
    }),
    chooseVariants: build.mutation<{ before: VariantChoices['choices'] }, InProject<VariantChoices>>({
      query: ({ project, choices }) => ({
        url: `/projects/${project}/variants`,
        method: 'POST',
        body: { choices },
      }),
      invalidatesTags: touches('chooseVariants'),
    }),
    translate: build.mutation<TranslationAnswer, { lookUp: number; ask: TranslationAsk }>({
      query: ({ lookUp, ask }) => ({ url: `/look-ups/${lookUp}/translations`, method: 'POST', body: ask }),
      invalidatesTags: (answer) => (answer && answer.asked > 0 ? touches('translate') : []),
    }),
    markers: build.query<Marker[], number>({
      query: (project) => `/projects/${project}/markers`,
      providesTags: restsOn('markers'),
    }),
    addMarker: build.mutation<Marker[], InProject<{ entry: MarkerAddition }>>({
      query: ({ project, entry }) => ({ url: `/projects/${project}/markers`, method: 'POST', body: entry }),
      invalidatesTags: touches('addMarker'),
    }),
    removeMarker: build.mutation<Marker[], InProject<{ marker: number }>>({
      query: ({ project, marker }) => ({ url: `/projects/${project}/markers/${marker}`, method: 'DELETE' }),
      invalidatesTags: touches('removeMarker'),
    }),
    bringMarkerBack: build.mutation<Marker[], InProject<{ marker: number }>>({
      query: ({ project, marker }) => ({
        url: `/projects/${project}/markers/${marker}/back`,
        method: 'POST',
        body: {},
      }),
      invalidatesTags: touches('bringMarkerBack'),
    }),
    mark: build.mutation<{ changed: number[] }, InProject<{ marker: number } & Marking>>({
      query: ({ project, marker, ...body }) => ({
        url: `/projects/${project}/markers/${marker}/keywords`,
        method: 'POST',
        body,
      }),
      invalidatesTags: touches('mark'),
    }),
    outside: build.mutation<OutsidePreview, InProject<{ market: string; file: File }>>({
      query: ({ project, market, file }) => ({
        url: `/projects/${project}/outside`,
        method: 'POST',
        params: { market },
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
    }),
    renewal: build.query<ListRenewal, InProject<{ list: number }>>({
      query: ({ project, list }) => `/projects/${project}/lists/${list}/renewal`,
      providesTags: restsOn('renewal'),
    }),
    renewList: build.mutation<KeywordList[], InProject<{ list: number; person: string }>>({
      query: ({ project, list, person }) => ({
        url: `/projects/${project}/lists/${list}/renewal`,
        method: 'POST',
        body: { person },
      }),
      invalidatesTags: touches('renewList'),
    }),
  }),
});

export const {
  useVariantsQuery,
  useChooseVariantsMutation,
  useTranslateMutation,
  useMarkersQuery,
  useAddMarkerMutation,
  useRemoveMarkerMutation,
  useMarkMutation,
  useOutsideMutation,
  useRenewalQuery,
  useRenewListMutation,
} = variantsApi;
