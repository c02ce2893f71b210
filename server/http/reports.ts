import { comparisonScope } from '@opsimath/contract/api/gapQuery';
import { reportContent } from '@opsimath/contract/api/reportContent';
import {
  reportAddition,
  reportChange,
  reportPlanning,
  reportRow,
  savedReport,
} from '@opsimath/contract/api/reports';
import { z } from 'zod';
import { removeAuditOf } from '../data/audits';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { planReport } from '../data/reportPlans';
import { addReport, changeReport, listReports, removeReport, reportById } from '../data/reports';
import { roundById } from '../data/rounds';
import { newReport } from '../reports/newReport';
import type { Routes } from './route';
import type { Services } from './services';

export function reportRoutes(routes: Routes, { database, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/reports',
      summary: 'Reports, what was touched last first',
      answer: z.array(reportRow),
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return listReports(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/reports',
      summary: 'Begin a report with the sections of a template',
      body: reportAddition,
      answer: savedReport,
    },
    async ({ params, body: { template, title, round } }) => {
      await projectById(database, params.id);
      if (round !== undefined) await roundById(database, params.id, round);
      const id = await addReport(database, params.id, template, newReport(template, title, round));
      return reportById(database, params.id, id);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/reports/:report',
      summary: 'A report: its sections, and what was worded by hand',
      answer: savedReport,
    },
    ({ params }) => reportById(database, params.id, params.report),
  );
  routes.add(
    {
      method: 'put',
      path: '/projects/:id/reports/:report',
      summary: 'Change a report as it was seen; one that somebody has changed since is left as it is',
      body: reportChange,
      answer: savedReport,
    },
    async ({ params, body }) => {
      await changeReport(database, params.id, params.report, body);
      return reportById(database, params.id, params.report);
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/reports/:report',
      summary:
        'Take a report away; what was frozen of it stays. That of an audit goes with all that was gathered for it alone',
      answer: z.array(reportRow),
    },
    async ({ params }) => {
      if (await removeAuditOf(database, params.id, params.report)) return [];
      await removeReport(database, params.id, params.report);
      return listReports(database, params.id);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/reports/:report/content',
      summary: 'A report as its reader sees it, with the figures as they are at a date',
      query: comparisonScope,
      answer: reportContent,
    },
    async ({ params, query }) => {
      const { document } = await reportById(database, params.id, params.report);
      return analysis.writeReport(params.id, document, query);
    },
  );
  routes.add(
    {
      method: 'put',
      path: '/projects/:id/reports/:report/plan',
      summary: 'Have a report made by itself after captures, and frozen; or not any more',
      body: reportPlanning,
      answer: savedReport,
    },
    async ({ params, body: { market: code, rhythm } }) => {
      await reportById(database, params.id, params.report);
      const market = await marketByCode(database, code);
      const plan = rhythm === null ? null : { market: market.id, rhythm };
      await planReport(database, params.id, params.report, plan);
      return reportById(database, params.id, params.report);
    },
  );
}
