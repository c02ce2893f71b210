import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import type { ReportContent } from '@opsimath/contract/api/reportContent';
import type {
  Audit,
  AuditPrice,
  FrozenReport,
  REPORT_RHYTHMS,
  ReportDocument,
  ReportListed,
  ReportTemplate,
  SavedReport,
} from '@opsimath/contract/api/reports';
import { type InProject, api, toParams } from './api';
import { restsOn, touches } from './restsOn';

type OfReport<T = unknown> = InProject<T & { id: number }>;

/** Reports, and audits. */
export const reportsApi = api.injectEndpoints({
  endpoints: (build) => ({
    reports: build.query<ReportListed[], number>({
      query: (project) => `/projects/${project}/reports`,
      providesTags: restsOn('reports'),
    }),
    report: build.query<SavedReport, OfReport>({
      query: ({ project, id }) => `/projects/${project}/reports/${id}`,
      providesTags: restsOn('report'),
    }),
    reportContent: build.query<ReportContent, OfReport<{ scope: ComparisonScope }>>({
      query: ({ project, id, scope }) => ({
        url: `/projects/${project}/reports/${id}/content`,
        params: toParams(scope),
      }),
      providesTags: restsOn('reportContent'),
    }),
    addReport: build.mutation<
      SavedReport,
      InProject<{ template: ReportTemplate; title?: string; round?: number }>
    >({
      query: ({ project, ...body }) => ({ url: `/projects/${project}/reports`, method: 'POST', body }),
      invalidatesTags: touches('addReport'),
    }),
    changeReport: build.mutation<SavedReport, OfReport<{ document: ReportDocument; revision: number }>>({
      query: ({ project, id, ...body }) => ({
        url: `/projects/${project}/reports/${id}`,
        method: 'PUT',
        body,
      }),
      invalidatesTags: (_, error) => (error ? [] : touches('changeReport')),
    }),
    removeReport: build.mutation<ReportListed[], OfReport>({
      query: ({ project, id }) => ({ url: `/projects/${project}/reports/${id}`, method: 'DELETE' }),
      invalidatesTags: touches('removeReport'),
    }),
    planReport: build.mutation<
      SavedReport,
      OfReport<{ market: string; rhythm: (typeof REPORT_RHYTHMS)[number] | null }>
    >({
      query: ({ project, id, ...body }) => ({
        url: `/projects/${project}/reports/${id}/plan`,
        method: 'PUT',
        body,
      }),
      invalidatesTags: touches('planReport'),
    }),
    freezeReport: build.mutation<FrozenReport, OfReport<{ scope: ComparisonScope }>>({
      query: ({ project, id, scope }) => ({
        url: `/projects/${project}/reports/${id}/frozen`,
        method: 'POST',
        body: scope,
      }),
      invalidatesTags: touches('freezeReport'),
    }),
    audits: build.query<Audit[], void>({ query: () => '/audits', providesTags: restsOn('audits') }),
    priceAudit: build.mutation<AuditPrice, { address: string; market: string; date: string }>({
      query: (body) => ({ url: '/audits/price', method: 'POST', body }),
      invalidatesTags: touches('priceAudit'),
    }),
    beginAudit: build.mutation<Audit, { address: string; market: string; date: string }>({
      query: (body) => ({ url: '/audits', method: 'POST', body }),
      invalidatesTags: touches('beginAudit'),
    }),
  }),
});

export const {
  useReportsQuery,
  useReportQuery,
  useReportContentQuery,
  useAddReportMutation,
  useChangeReportMutation,
  useRemoveReportMutation,
  usePlanReportMutation,
  useFreezeReportMutation,
  useAuditsQuery,
  usePriceAuditMutation,
  useBeginAuditMutation,
} = reportsApi;
