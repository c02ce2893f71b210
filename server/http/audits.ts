import { audit, auditPrice, auditRequest } from '@opsimath/contract/api/reports';
import { z } from 'zod';
import { beginAudit, priceAudit } from '../audits/beginAudit';
import { listAudits } from '../data/audits';
import type { Routes } from './route';
import type { Services } from './services';

export function auditRoutes(routes: Routes, { database, source, jobs }: Services): void {
  routes.add(
    { method: 'get', path: '/audits', summary: 'Audits, the newest first', answer: z.array(audit) },
    () => listAudits(database),
  );
  routes.add(
    {
      method: 'post',
      path: '/audits/price',
      summary: 'What an audit of an address would look at, and what it costs at most',
      body: auditRequest,
      answer: auditPrice,
    },
    ({ body }) => priceAudit({ database, source }, body),
  );
  routes.add(
    {
      method: 'post',
      path: '/audits',
      summary: 'Begin an audit of somebody’s site, channel, shop, page, video or listing',
      body: auditRequest,
      answer: audit,
    },
    async ({ body }) => {
      const { project, job } = await beginAudit({ database, source }, body);
      jobs.start(job);
      return (await listAudits(database)).find((one) => one.project === project)!;
    },
  );
}
