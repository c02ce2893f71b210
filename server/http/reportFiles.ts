import { frozenContent, reportContent } from '@opsimath/contract/api/reportContent';
import { type ReportFileRequest, reportFile, reportFileRequest } from '@opsimath/contract/api/reports';
import { z } from 'zod';
import { frozenById } from '../data/frozenReports';
import { sharedBy } from '../data/reportShares';
import { reportById } from '../data/reports';
import { escaped } from '../files/escape';
import { htmlFile } from '../files/report/htmlFile';
import { fileName } from '../files/fileName';
import { MEDIA_TYPES } from '../files/mediaTypes';
import { type FileOrder, SCHEMA_PATH } from '../files/report/makeFile';
import type { Routes } from './route';
import type { Services } from './services';

export function reportFileRoutes(routes: Routes, services: Services): void {
  const { reportFiles } = services;
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/report-files',
      summary: 'Begin to write a report, or a frozen one, as PDF, HTML, XLSX, CSV, Markdown or JSON',
      body: reportFileRequest,
      answer: reportFile,
    },
    async ({ params, body }) => {
      const order = await orderOf(services, params.id, body);
      const { title, date } = order.content;
      return reportFiles.start(params.id, `${fileName(title, 'Report')} ${date}.${body.format}`, order);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/report-files/:file',
      summary: 'How far a file is',
      answer: reportFile,
    },
    ({ params }) => Promise.resolve(reportFiles.state(params.id, params.file)),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/report-files/:file/content',
      summary: 'The file itself, once it is written',
      answer: null,
      media: 'application/octet-stream',
    },
    ({ params, context }) => {
      const { bytes, name, format } = reportFiles.taken(params.id, params.file);
      context.attachment(name);
      context.type = MEDIA_TYPES[format];
      context.body = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
      return Promise.resolve();
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/report-files/:file',
      summary: 'Stop writing a file',
      answer: z.object({}),
    },
    async ({ params }) => {
      await reportFiles.cancel(params.id, params.file);
      return {};
    },
  );
  routes.add(
    {
      method: 'get',
      path: SCHEMA_PATH.replace('/api', '') as '/report-schema.json',
      summary: 'Schema (JSON Schema) of reports in JSON',
      answer: null,
      media: 'application/schema+json',
    },
    ({ context }) => {
      context.type = 'application/schema+json';
      context.body = JSON.stringify(schema);
      return Promise.resolve();
    },
  );
}

const head = { $schema: z.string() };
const schema = z.toJSONSchema(
  z.union([
    z.object({ ...head, content: reportContent }).describe('a report as it was when the file was written'),
    frozenContent
      .extend({ ...head, checksum: z.string(), madeAt: z.string() })
      .describe('a frozen report, with the comparison under it'),
  ]),
  { target: 'draft-2020-12' },
);

async function orderOf(
  { database, analysis }: Services,
  projectId: number,
  { format, report, scope, frozen: id, table }: ReportFileRequest,
): Promise<FileOrder> {
  if (id !== undefined) {
    const { frozen, kept } = await frozenById(database, projectId, id);
    const { checksum, madeAt } = frozen;
    return { content: kept.content, format, table, seal: { checksum, madeAt, kept } };
  }
  const { document } = await reportById(database, projectId, report!);
  const content = await analysis.writeReport(projectId, document, scope!);
  return { content, format, table, seal: null };
}

/** A report for whoever has its address: nothing else of the project can be reached from it. */
export function sharedRoute(routes: Routes, { database }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/shared',
      summary: 'A frozen report by its address, to be read; closed ones say so',
      query: z.object({ key: z.string().max(100) }),
      answer: null,
      media: 'text/html',
    },
    async ({ query, context }) => {
      const shared = await sharedBy(database, query.key);
      context.type = 'html';
      context.set({
        'Content-Security-Policy':
          "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; frame-ancestors 'none'",
        'X-Robots-Tag': 'noindex',
        'Cache-Control': 'no-store',
        'Referrer-Policy': 'no-referrer',
      });
      if (shared === null) {
        context.status = 410;
        context.body = closedPage();
        return;
      }
      const { frozen, kept } = await frozenById(database, shared.project, shared.frozen);
      context.body = htmlFile(kept.content, { checksum: frozen.checksum, madeAt: frozen.madeAt, kept });
    },
  );
}

function closedPage(): string {
  const words = 'This address is closed. Ask whoever gave it to you for another one.';
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Closed</title><style>body{font:16px sans-serif;max-width:34em;margin:20vh auto;color:#22303a}</style></head><body><h1>Closed</h1><p>${escaped(words)}</p></body></html>`;
}
