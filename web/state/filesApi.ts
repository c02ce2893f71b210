import type {
  FileImport,
  FileReading,
  ImportKind,
  SavedPage,
  SitemapAnswer,
  UploadAnswer,
} from '@opsimath/contract/api/imports';
import type { Side } from '@opsimath/contract/api/targets';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

/** Files that come in. */
export const {
  useUploadSitemapMutation,
  useUploadPageMutation,
  useImportsQuery,
  useUploadFileMutation,
  useReadAsMutation,
  useStartImportMutation,
  useRejectionsQuery,
} = api.injectEndpoints({
  endpoints: (build) => ({
    uploadSitemap: build.mutation<SitemapAnswer, InProject<{ file: File }>>({
      query: ({ project, file }) => ({
        url: `/projects/${project}/sitemap`,
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: touches('uploadSitemap'),
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
      invalidatesTags: touches('uploadPage'),
    }),
    imports: build.query<FileImport[], number>({
      query: (project) => `/projects/${project}/imports`,
      providesTags: restsOn('imports'),
    }),
    uploadFile: build.mutation<UploadAnswer, InProject<{ file: File; kind?: ImportKind }>>({
      query: ({ project, file, kind }) => ({
        url: `/projects/${project}/imports`,
        method: 'POST',
        params: toParams({ name: file.name, kind }),
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: touches('uploadFile'),
    }),
    readAs: build.mutation<UploadAnswer['preview'], { id: number; kind: ImportKind }>({
      query: ({ id, kind }) => ({ url: `/imports/${id}/reading`, method: 'POST', body: { kind } }),
    }),
    startImport: build.mutation<
      FileImport,
      { id: number; market: string; reading: FileReading; marketConfirmed: boolean }
    >({
      query: ({ id, ...body }) => ({ url: `/imports/${id}/start`, method: 'POST', body }),
      invalidatesTags: touches('startImport'),
    }),
    rejections: build.query<
      { total: number; rows: { line: number; reason: string; content: string }[] },
      number
    >({
      query: (id) => `/imports/${id}/rejections`,
      providesTags: restsOn('rejections'),
    }),
  }),
});
