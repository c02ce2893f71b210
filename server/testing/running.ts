import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { api } from '../../scripts/api.mjs';
import { startServer, startServices } from '../../scripts/programs.mjs';

/** A small world of its own seed; its cache is shared by all tests. */
const WORLD = ['--size', '0.08', '--seed', '7'];
export const MARKET = 'web-us-en';
export const OWN = 'tarnwick.example';
export const RIVALS = ['cobblemoor.example', 'saltfen.example'];
export const DATE = '2026-03-14';
export const BEFORE = '2025-12-14';

/** The real programs on free ports, with a database file of their own. */
export class Running {
  private constructor(
    readonly services: Awaited<ReturnType<typeof startServices>>,
    public server: Awaited<ReturnType<typeof startServer>>,
    readonly folder: string,
  ) {}

  static async start(serverOptions: string[] = [], servicesOptions: string[] = []): Promise<Running> {
    const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-'));
    const services = await startServices([...WORLD, ...servicesOptions]);
    const server = await startServer(Running.options(folder, services.url, serverOptions));
    return new Running(services, server, folder);
  }

  private static options(folder: string, servicesUrl: string, more: string[]): string[] {
    return ['--port', '0', '--data', folder, '--services', servicesUrl, '--source-delay', '20', ...more];
  }

  get api(): ReturnType<typeof api> {
    return api(this.server.url);
  }

  /** Ends the server as a crash would and starts it again on the same file. */
  async crashAndRestart(serverOptions: string[] = []): Promise<void> {
    await this.server.stop('SIGKILL');
    this.server = await startServer(Running.options(this.folder, this.services.url, serverOptions));
  }

  async faults(rates: Record<string, number | string>): Promise<void> {
    await fetch(`${this.services.url}/v1/faults`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(rates),
    });
  }

  /** Asks the services themselves, as an independent witness. */
  async witness<T>(address: string, body?: unknown): Promise<T> {
    const response = await fetch(`${this.services.url}/v1${address}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    return (await response.json()) as T;
  }

  /** Every row of a reverse look-up, from the services. */
  async witnessRankings(target: string, date = DATE): Promise<WitnessRow[]> {
    const rows: WitnessRow[] = [];
    let cursor: string | null = '';
    while (cursor !== null) {
      const query = new URLSearchParams({ market: MARKET, date, target, ...(cursor ? { cursor } : {}) });
      const answer: { rows: WitnessRow[]; cursor: string | null } = await this.witness(`/rankings?${query}`);
      rows.push(...answer.rows);
      cursor = answer.cursor;
    }
    return rows;
  }

  /** A project with ourselves and two rivals. */
  async project(): Promise<{ id: number; at: string }> {
    await this.api.get('/markets');
    const { id } = await this.api.post('/projects', { name: 'Test' });
    const at = `/projects/${id}`;
    await this.api.post(`${at}/targets`, { side: 'own', market: MARKET, text: OWN });
    await this.api.post(`${at}/targets`, { side: 'rival', market: MARKET, text: RIVALS.join('\n') });
    return { id, at };
  }

  /** Looks us and the rivals up at both dates and captures the most searched keywords. */
  async compared(at: string, captureMost: number): Promise<void> {
    const lookUp = await this.api.post(`${at}/look-ups`, {
      market: MARKET,
      date: DATE,
      compareDate: BEFORE,
      targets: [OWN, ...RIVALS],
      extent: 'captures',
      captureMost,
    });
    await this.api.finished(lookUp.job.id);
  }

  /** Brings a table in as it is understood. */
  async bringIn(at: string, name: string, kind: string, csv: string, market = MARKET): Promise<void> {
    const { import: entry, preview } = await this.api.upload(
      `${at}/imports?name=${name}&kind=${encodeURIComponent(kind)}`,
      csv,
    );
    const { reading } = preview;
    const started = await this.api.post(`/imports/${entry.id}/start`, { market, reading });
    await this.api.finished(started.job.id);
  }

  async stop(): Promise<void> {
    await this.server.stop();
    await this.services.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

export interface WitnessRow {
  keyword: string;
  address: string;
  organic: number | null;
  paid: number | null;
}
