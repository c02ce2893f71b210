import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { api } from '../scripts/api.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';
import { measure, print } from './measure';

/** Times a report of 500 gaps from the demo's data: its content, and its files from the order to the last byte. */

const MARKET = 'web-us-en';
const GAPS = 500;
const RUNS = 5;
const root = path.join(path.dirname(fileURLToPath(import.meta.url)), '..', '..');
const demo = path.join(root, '.data', 'demo');
const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-report-'));
cpSync(demo, folder, { recursive: true });
const services = await startServices(['--state', path.join(folder, 'services.json')]);
const server = await startServer(['--port', '0', '--data', folder, '--services', services.url]);
const opsimath = api(server.url);
const [{ id }] = await opsimath.get('/projects');
const at = `/projects/${id}`;
const { today } = await opsimath.get('/services');
const compare = new Date(Date.parse(today) - 90 * 86_400_000).toISOString().slice(0, 10);
const scope = { market: MARKET, date: today, compare };
const made = await opsimath.post(`${at}/reports`, { template: 'gaps' });
const document = structuredClone(made.document);
for (const section of document.sections) if (section.kind === 'gaps') section.settings.most = GAPS;
await opsimath.put(`${at}/reports/${made.id}`, { document, revision: made.revision });

const written = async (format: string): Promise<void> => {
  let file = await opsimath.post(`${at}/report-files`, { format, report: made.id, scope });
  while (file.state === 'working') {
    await new Promise((resolve) => setTimeout(resolve, 20));
    file = await opsimath.get(`${at}/report-files/${file.id}`);
  }
  if (file.state !== 'done') throw new Error(file.message);
  await (await fetch(`${server.url}/api${at}/report-files/${file.id}/content`)).arrayBuffer();
};
let asked = 0;
const content = async (): Promise<void> => {
  // Each time another report: what was answered before is kept.
  document.title = `Report ${asked++}`;
  const saved = await opsimath.get(`${at}/reports/${made.id}`);
  await opsimath.put(`${at}/reports/${made.id}`, { document, revision: saved.revision });
  await opsimath.get(`${at}/reports/${made.id}/content?${new URLSearchParams(scope)}`);
};
await content();
print([
  await measure('content of a report with 500 gaps, the comparison kept', null, RUNS, content),
  await measure('PDF of it, from the order to the last byte', 10_000, RUNS, () => written('pdf')),
  await measure('XLSX of it', 3000, RUNS, () => written('xlsx')),
  await measure('HTML of it', null, RUNS, () => written('html')),
]);
await server.stop();
await services.stop();
rmSync(folder, { recursive: true, force: true });
