import { comparisonScope } from '@opsimath/contract/api/gapQuery';
import {
  frozenDifference,
  frozenReport,
  frozenView,
  share,
  shareAddition,
} from '@opsimath/contract/api/reports';
import type { FrozenContent } from '@opsimath/contract/api/reportContent';
import { difference } from '@opsimath/core/report/difference';
import { z } from 'zod';
import { freeze, frozenById, listFrozen, removeFrozen } from '../data/frozenReports';
import { addShare, listShares, revokeShare } from '../data/reportShares';
import { projectById } from '../data/projects';
import { reportById } from '../data/reports';
import type { Routes } from './route';
import type { Services } from './services';

const MOST_MOVED = 500;

export function frozenRoutes(routes: Routes, { database, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/frozen',
      summary: 'What was frozen, the newest first',
      answer: z.array(frozenReport),
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return listFrozen(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/reports/:report/frozen',
      summary: 'Freeze a report: its text, its figures and the comparison under them are kept as they are',
      body: comparisonScope,
      answer: frozenReport,
    },
    async ({ params, body }) => {
      const { document } = await reportById(database, params.id, params.report);
      const kept = await analysis.writeFrozen(params.id, document, body);
      const id = await freeze(database, params.id, kept, { report: params.report, planned: false });
      return (await frozenById(database, params.id, id)).frozen;
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/frozen/:frozen',
      summary: 'A frozen report as it was, and whether it still has its checksum',
      answer: frozenView,
    },
    async ({ params }) => {
      const { frozen, kept, asItWas } = await frozenById(database, params.id, params.frozen);
      return { frozen, content: kept.content, asItWas };
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/frozen/:frozen',
      summary: 'Take a frozen report away, and close its addresses',
      answer: z.array(frozenReport),
    },
    async ({ params }) => {
      await removeFrozen(database, params.id, params.frozen);
      return listFrozen(database, params.id);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/frozen/:frozen/difference',
      summary: 'What was closed and what opened between an earlier frozen report and this one',
      query: z.object({ before: z.coerce.number().int().positive() }),
      answer: frozenDifference,
    },
    async ({ params, query }) => {
      const after = await frozenById(database, params.id, params.frozen);
      const before = await frozenById(database, params.id, query.before);
      const { closed, opened, ...counts } = difference(keywordsOf(before.kept), keywordsOf(after.kept));
      return {
        ...counts,
        before: before.frozen,
        after: after.frozen,
        closed: closed.slice(0, MOST_MOVED),
        opened: opened.slice(0, MOST_MOVED),
        closedInAll: closed.length,
        openedInAll: opened.length,
      };
    },
  );
}

const keywordsOf = ({ gaps }: FrozenContent) =>
  gaps.map(([keyword, kind, own, , , demand]) => ({ keyword, kind, own, demand }));

export function shareRoutes(routes: Routes, { database }: Services): void {
  const path = '/projects/:id/frozen/:frozen/shares' as const;
  const answer = z.array(share);
  routes.add(
    { method: 'get', path, summary: 'Addresses under which a frozen report can be read', answer },
    async ({ params }) => {
      await frozenById(database, params.id, params.frozen);
      return listShares(database, params.id, params.frozen);
    },
  );
  routes.add(
    {
      method: 'post',
      path,
      summary: 'Give a frozen report an address that whoever knows it may read for some days',
      body: shareAddition,
      answer,
    },
    async ({ params, body }) => {
      await frozenById(database, params.id, params.frozen);
      await addShare(database, params.id, params.frozen, body.days);
      return listShares(database, params.id, params.frozen);
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/frozen/:frozen/shares/:share',
      summary: 'Close an address for good',
      answer,
    },
    async ({ params }) => {
      await revokeShare(database, params.id, params.frozen, params.share);
      return listShares(database, params.id, params.frozen);
    },
  );
}
