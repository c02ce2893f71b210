import type {
  FrozenDifference,
  FrozenReport,
  FrozenView,
  ReportFile,
  ReportFileRequest,
  Share,
} from '@opsimath/contract/api/reports';
import { type InProject, api } from './api';
import { restsOn, touches } from './restsOn';

type OfReport<T = unknown> = InProject<T & { id: number }>;

/** What was frozen of reports, who may read that, and files of reports. */
export const frozenApi = api.injectEndpoints({
  endpoints: (build) => ({
    frozenReports: build.query<FrozenReport[], number>({
      query: (project) => `/projects/${project}/frozen`,
      providesTags: restsOn('frozenReports'),
    }),
    frozen: build.query<FrozenView, OfReport>({
      query: ({ project, id }) => `/projects/${project}/frozen/${id}`,
      providesTags: restsOn('frozen'),
    }),
    removeFrozen: build.mutation<FrozenReport[], OfReport>({
      query: ({ project, id }) => ({ url: `/projects/${project}/frozen/${id}`, method: 'DELETE' }),
      invalidatesTags: touches('removeFrozen'),
    }),
    frozenDifference: build.query<FrozenDifference, OfReport<{ before: number }>>({
      query: ({ project, id, before }) => ({
        url: `/projects/${project}/frozen/${id}/difference`,
        params: { before },
      }),
      providesTags: restsOn('frozenDifference'),
    }),
    shares: build.query<Share[], OfReport>({
      query: ({ project, id }) => `/projects/${project}/frozen/${id}/shares`,
      providesTags: restsOn('shares'),
    }),
    addShare: build.mutation<Share[], OfReport<{ days: number }>>({
      query: ({ project, id, days }) => ({
        url: `/projects/${project}/frozen/${id}/shares`,
        method: 'POST',
        body: { days },
      }),
      invalidatesTags: touches('addShare'),
    }),
    revokeShare: build.mutation<Share[], OfReport<{ share: number }>>({
      query: ({ project, id, share }) => ({
        url: `/projects/${project}/frozen/${id}/shares/${share}`,
        method: 'DELETE',
      }),
      invalidatesTags: touches('revokeShare'),
    }),
    writeReportFile: build.mutation<ReportFile, InProject<ReportFileRequest>>({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/report-files`, method: 'POST', body }),
      invalidatesTags: touches('writeReportFile'),
    }),
    reportFile: build.query<ReportFile, OfReport>({
      query: ({ project, id }) => `/projects/${project}/report-files/${id}`,
      providesTags: restsOn('reportFile'),
    }),
    stopReportFile: build.mutation<object, OfReport>({
      query: ({ project, id }) => ({ url: `/projects/${project}/report-files/${id}`, method: 'DELETE' }),
      invalidatesTags: touches('stopReportFile'),
    }),
  }),
});

export const {
  useFrozenReportsQuery,
  useFrozenQuery,
  useRemoveFrozenMutation,
  useFrozenDifferenceQuery,
  useSharesQuery,
  useAddShareMutation,
  useRevokeShareMutation,
  useWriteReportFileMutation,
  useReportFileQuery,
  useStopReportFileMutation,
} = frozenApi;
