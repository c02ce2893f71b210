import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import { startServices } from '../../scripts/programs.mjs';

/** What of a result page counts here: where each target stands, and the best of ours. */
export interface Places {
  of: ReadonlyMap<string, number>;
  own: number | null;
}

/** The simulated services of one seed, asked as any service is: over HTTP, and nothing but what it answers. */
export class World {
  private constructor(
    readonly url: string,
    private readonly folder: string,
    private readonly program: Awaited<ReturnType<typeof startServices>>,
  ) {}

  static async open(seed: number, size: number): Promise<World> {
    const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-world-'));
    const program = await startServices([
      ...['--seed', String(seed), '--size', String(size)],
      ...['--allowance', '100000000', '--state', path.join(folder, 'services.json')],
    ]);
    return new World(program.url, folder, program);
  }

  async close(): Promise<void> {
    await this.program.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }

  async today(): Promise<string> {
    return ((await this.ask('/clock')) as { today: string }).today;
  }

  async advance(days: number): Promise<string> {
    return ((await this.ask('/clock/advance', { days })) as { today: string }).today;
  }

  async record(market: string, target: string): Promise<SourceFullRecord> {
    const query = new URLSearchParams({ market, date: await this.today(), target });
    return ((await this.ask(`/records?${query}`)) as { record: SourceFullRecord }).record;
  }

  /** Organic positions of every target, by keyword. @param own our site, channel or shop */
  async places(market: string, keywords: readonly string[], own: string): Promise<Map<string, Places>> {
    const date = await this.today();
    const found = new Map<string, Places>();
    for (let from = 0; from < keywords.length; from += 200) {
      const asked = keywords.slice(from, from + 200);
      const { pages, records } = (await this.ask('/result-pages', { market, date, keywords: asked })) as {
        pages: {
          keyword: string;
          slots: { kind: string; position: number | null; record: number | null }[];
        }[];
        records: { address: string; parent: string | null }[];
      };
      pages.forEach(({ slots }, n) => {
        const places = new Map<string, number>();
        let best: number | null = null;
        for (const { kind, position, record } of slots)
          if (kind === 'organic') {
            places.set(records[record!]!.address, position!);
            if (records[record!]!.parent === own && (best === null || position! < best)) best = position!;
          }
        found.set(asked[n]!, { of: places, own: best });
      });
    }
    return found;
  }

  private async ask(at: string, body?: unknown): Promise<unknown> {
    const response = await fetch(`${this.url}/v1${at}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const answer: unknown = await response.json();
    if (!response.ok) throw new Error(`${at}: ${JSON.stringify(answer)}`);
    return answer;
  }
}
