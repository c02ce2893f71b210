import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Dossier } from '@opsimath/contract/api/dossier';
import type { GapRow } from '@opsimath/contract/api/gaps';
import type { MarketModels } from '@opsimath/contract/api/models';
import type { WhatToDo, WorkLine } from '@opsimath/contract/api/whatToDo';
import { ABSENT } from '@opsimath/core/ranking/position';
import { api } from '../../scripts/api.mjs';
import { startServer } from '../../scripts/programs.mjs';
import type { Foretold } from './figures';
import { type Places, World } from './world';

/** A surface as the demo knows it. */
export interface TrialSurface {
  kind: 'web' | 'video' | 'marketplace';
  market: string;
  addressOf: (name: string) => string;
  captures: number;
  words: readonly string[];
}

/** What one surface of one world showed. */
export interface Trial {
  /** Leads of what was done, with the action and without; and keywords whose page nobody touched. */
  with: Foretold[];
  without: Foretold[];
  untouched: Foretold[];
  done: number;
  /** Clicks a month of the whole site: in the twin, in the world, and what the work was foretold to add. */
  site: { twin: number; world: number; foretold: number };
  /** The same on the leads alone, and on all other keywords. */
  leads: { came: number; foretold: number };
  elsewhere: { came: number; foretold: number };
  curve: Float64Array;
  front: number;
  notes: string;
}

const RIVALS = ['cobblemoor', 'pikewater', 'dunmarrow', 'saltfen'];
const PAGE = 500;
/** Search sees what was published after some days. */
const SEEN_AFTER = 3;

/**
 * Does what Opsimath suggests, in one of two worlds of the same seed; a horizon later both are looked at. Everything is
 * asked over HTTP: of Opsimath what it foretells, of the services what stands where.
 *
 * @param targets at most so many pieces of work; `untouched` keywords are watched beside them
 */
export async function trial(
  seed: number,
  size: number,
  surface: TrialSurface,
  { targets, untouched }: { targets: number; untouched: number },
): Promise<Trial> {
  const [world, twin] = [await World.open(seed, size), await World.open(seed, size)];
  const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-validate-'));
  const server = await startServer(['--port', '0', '--data', folder, '--services', world.url]);
  try {
    const asking = await Asking.open(server.url, surface, await world.today());
    const { rows, models } = asking;
    const lines = await asking.work(targets);
    const aimed: { line: WorkLine; row: GapRow; dossier: Dossier }[] = [];
    for (const line of lines) {
      const row = rows.get(line.lead.id)!;
      aimed.push({ line, row, dossier: await asking.dossier(row) });
    }
    for (const { line } of aimed) await asking.carryOut(line, await saidBy(world, surface.market, line));
    const touched = new Set(aimed.map(({ line }) => line.target!.address));
    const calm = [...rows.values()].filter(
      (row) =>
        row.captureDate !== null &&
        row.demand !== null &&
        row.ownAddress !== null &&
        !touched.has(row.ownAddress),
    );
    const step = Math.max(1, Math.floor(calm.length / untouched));
    const watched: { row: GapRow; dossier: Dossier }[] = [];
    for (const row of calm.filter((_, n) => n % step === 0).slice(0, untouched))
      watched.push({ row, dossier: await asking.dossier(row) });

    for (const one of [world, twin]) await one.advance(asking.horizon + SEEN_AFTER);
    const texts = [...rows.values()].map(({ text }) => text);
    const own = surface.addressOf('tarnwick');
    const after = await world.places(surface.market, texts, own);
    const without = await twin.places(surface.market, texts, own);
    const at = (found: ReadonlyMap<string, Places>, row: GapRow): number =>
      found.get(row.text)!.own ?? ABSENT;
    const curve = new Float64Array(256);
    for (const { position, used } of models.curve.points) curve[position] = used;
    const clicks = (found: ReadonlyMap<string, Places>, row: GapRow): number => {
      const position = at(found, row);
      return position === ABSENT ? 0 : demandLeft(row, curve) * curve[position]!;
    };
    const gained = (row: GapRow): number => clicks(after, row) - clicks(without, row);
    const known = [...rows.values()].filter(({ demand }) => demand !== null);
    const sum = (of: (row: GapRow) => number, of_: readonly GapRow[] = known): number =>
      of_.reduce((total, row) => total + of(row), 0);
    const foretold = lines.reduce((total, line) => total + line.clicks, 0);
    const ofLeads = lines.reduce(
      (total, { lead, serves }) => total + (serves.find(({ id }) => id === lead.id)?.clicks ?? 0),
      0,
    );
    const leadsCame = sum(
      gained,
      aimed.map(({ row }) => row),
    );
    const site = {
      twin: sum((row) => clicks(without, row)),
      world: sum((row) => clicks(after, row)),
      foretold,
    };
    return {
      with: aimed.map(({ line, row, dossier }) => ({
        ...standing(row, curve),
        bands: dossier.alternatives.find(({ action }) => action === line.action)!.after,
        came: at(after, row),
      })),
      without: aimed.map(({ row, dossier }) => ({
        ...standing(row, curve),
        bands: dossier.forecast!.asIs,
        came: at(without, row),
      })),
      untouched: watched.map(({ row, dossier }) => ({
        ...standing(row, curve),
        bands: dossier.forecast!.asIs,
        came: at(without, row),
      })),
      done: lines.length,
      site,
      leads: { came: leadsCame, foretold: ofLeads },
      elsewhere: { came: site.world - site.twin - leadsCame, foretold: foretold - ofLeads },
      curve,
      front: asking.front,
      notes: notesOf(models),
    };
  } finally {
    await Promise.all([server.stop(), world.close(), twin.close()]);
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What a line says of its target’s fields: its title, or the words that they lack. */
async function saidBy(
  world: World,
  market: string,
  { target, title, words, lead }: WorkLine,
): Promise<Record<string, string>> {
  if (title !== null) return { title };
  const { description } = await world.record(market, target!.address);
  const said = lead.text.charAt(0).toUpperCase() + lead.text.slice(1);
  return { description: words.length > 0 ? `${said}. ${description}` : description };
}

const positionOf = (position: GapRow['own']): number => (typeof position === 'number' ? position : ABSENT);

/** Searches a month left to organic results: the row says clicks at a position, which the curve turns back. */
function demandLeft(row: GapRow, curve: Float64Array): number {
  for (const [position, clicks] of [
    [row.own, row.ownClicks],
    [row.figures['best rival'], row.rivalClicks],
  ] as const)
    if (typeof position === 'number' && clicks !== null && row.volume! * curve[position]! > 0)
      return (row.demand! * clicks) / (row.volume! * curve[position]!);
  return row.demand!;
}

const standing = (row: GapRow, curve: Float64Array): Pick<Foretold, 'before' | 'demand'> => ({
  before: positionOf(row.own),
  demand: demandLeft(row, curve),
});

function notesOf({ forecast }: MarketModels): string {
  const changes = forecast.changes.map(
    ({ change, weight, error }) => `${change} ${weight.toFixed(2)} ± ${(error ?? 0).toFixed(2)}`,
  );
  return `${forecast.rows} results, ${forecast.changedRows} of them changed, prior as ${forecast.priorRows ?? '∞'} rows: ${changes.join(', ')}`;
}

/** Opsimath as it is asked: a project of one surface, looked up and captured now and a horizon before. */
class Asking {
  readonly rows = new Map<number, GapRow>();
  models!: MarketModels;

  private constructor(
    private readonly opsimath: ReturnType<typeof api>,
    private readonly at: string,
    private readonly market: string,
    private readonly scope: string,
    readonly horizon: number,
    readonly front: number,
  ) {}

  static async open(url: string, surface: TrialSurface, today: string): Promise<Asking> {
    const opsimath = api(url);
    await opsimath.get('/markets');
    const project = (await opsimath.post('/projects', { name: 'Tarnwick' })) as {
      id: number;
      settings: { horizons: Record<string, number>; front: number };
    };
    const at = `/projects/${project.id}`;
    const { market, addressOf, captures, words } = surface;
    const horizon = project.settings.horizons[surface.kind]!;
    const asking = new Asking(
      opsimath,
      at,
      market,
      `market=${market}&date=${today}`,
      horizon,
      project.settings.front,
    );
    const own = addressOf('tarnwick');
    const rivals = RIVALS.map(addressOf);
    await opsimath.post(`${at}/targets`, { side: 'own', market, text: own });
    await opsimath.post(`${at}/targets`, { side: 'rival', market, text: rivals.join('\n') });
    const compareDate = new Date(Date.parse(today) - horizon * 86_400_000).toISOString().slice(0, 10);
    const lookUp = (await opsimath.post(`${at}/look-ups`, {
      ...{ market, date: today, compareDate, words, targets: [own, ...rivals] },
      ...{ extent: 'captures', captureMost: captures },
    })) as { job: { id: number } };
    await opsimath.finished(lookUp.job.id);
    await asking.read();
    // What is learnt from: the captured keywords as they stood a horizon ago.
    const keywords = [...asking.rows.values()].filter((row) => row.captureDate === today).map(({ id }) => id);
    const job = (await opsimath.post(`${at}/captures`, { market, dates: [compareDate], keywords })) as {
      id: number;
    };
    await opsimath.finished(job.id);
    await asking.read();
    asking.models = (await opsimath.get(`${at}/models?${asking.scope}`)) as MarketModels;
    return asking;
  }

  private async read(): Promise<void> {
    this.rows.clear();
    for (let offset = 0; ; offset += PAGE) {
      const query = `${this.scope}&sort=-priority&limit=${PAGE}&offset=${offset}`;
      const { rows } = (await this.opsimath.get(`${this.at}/gaps?${query}`)) as { rows: GapRow[] };
      for (const row of rows) this.rows.set(row.id, row);
      if (rows.length < PAGE) return;
    }
  }

  /** Writes a draft of a line’s target and publishes it, as a person would. */
  async carryOut({ target, lead }: WorkLine, fields: Record<string, string>): Promise<void> {
    const { ids } = (await this.opsimath.post(`${this.at}/drafts/several`, {
      market: this.market,
      drafts: [{ address: target!.address, keywords: [lead.id], fields }],
    })) as { ids: number[] };
    await this.opsimath.post(`${this.at}/drafts/${ids[0]}/publish`, { way: 'service' });
  }

  /** The first lines that are done to a target of ours, one a target. */
  async work(most: number): Promise<WorkLine[]> {
    const taken = new Set<string>();
    const lines: WorkLine[] = [];
    for (let offset = 0; lines.length < most; offset += PAGE) {
      const answer = (await this.opsimath.get(
        `${this.at}/what-to-do?${this.scope}&limit=${PAGE}&offset=${offset}`,
      )) as WhatToDo;
      for (const line of answer.lines) {
        if (lines.length === most || line.target === null || taken.has(line.target.address)) continue;
        if (this.rows.get(line.lead.id)!.captureDate === null) continue;
        taken.add(line.target.address);
        lines.push(line);
      }
      if (answer.lines.length < PAGE) break;
    }
    return lines;
  }

  async dossier(row: GapRow): Promise<Dossier> {
    return (await this.opsimath.get(`${this.at}/keywords/${row.id}/dossier?${this.scope}`)) as Dossier;
  }
}
