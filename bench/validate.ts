import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Dossier } from '@opsimath/contract/api/dossier';
import type { GapRow } from '@opsimath/contract/api/gaps';
import { key } from '@opsimath/core/text/key';
import { api } from '../scripts/api.mjs';
import { startServer } from '../scripts/programs.mjs';
import { proposedTitle } from '@opsimath/core/plan/proposedTitle';
import { ABSENT } from '@opsimath/core/ranking/position';
import { type Figures, type Foretold, figuresOf } from './validate/figures';
import { World } from './validate/world';

const option = (name: string, usual: string): string => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : process.argv[at + 1]!;
};
const seeds = option('seeds', '5,17,91').split(',').map(Number);
const size = Number(option('size', '1'));
const most = Number(option('targets', '60'));
const untouched = Number(option('untouched', '150'));
const only = option('only', '');
const say = (text: string): void => void process.stdout.write(`${text}\n`);
const RIVALS = ['cobblemoor', 'pikewater', 'dunmarrow', 'saltfen'];
const SURFACES = [
  { market: 'web-us-en', of: (name: string) => `${name}.example`, captures: 2500, words: [], limit: 60 },
  {
    market: 'video-us-en',
    of: (name: string) => `vidlantern.example/on/${name}`,
    captures: 1500,
    words: ['channel keywords'],
    limit: 100,
  },
  {
    market: 'marketplace-us-en',
    of: (name: string) => `stallbridge.example/stall/${name}`,
    captures: 1500,
    words: [],
    limit: 200,
  },
] as const;
const daysBefore = (date: string, days: number): string =>
  new Date(Date.parse(date) - days * 86_400_000).toISOString().slice(0, 10);

interface Aimed {
  row: GapRow;
  dossier: Dossier;
  action: 'title' | 'fields';
  address: string;
}
const all = new Map<string, Foretold[]>();
const curves = new Map<string, Float64Array>();
const table: string[] = [];

for (const seed of seeds)
  for (const surface of SURFACES) {
    if (only !== '' && !surface.market.startsWith(only)) continue;
    const started = Date.now();
    const [world, twin] = [await World.open(seed, size), await World.open(seed, size)];
    const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-validate-'));
    const server = await startServer(['--port', '0', '--data', folder, '--services', world.url]);
    try {
      const opsimath = api(server.url);
      const today = await world.today();
      await opsimath.get('/markets');
      const project = (await opsimath.post('/projects', { name: 'Tarnwick' })) as {
        id: number;
        settings: { horizons: Record<string, number>; front: number };
      };
      const at = `/projects/${project.id}`;
      const own = surface.of('tarnwick');
      const kind = surface.market.split('-')[0]!;
      const horizon = project.settings.horizons[kind]!;
      await opsimath.post(`${at}/targets`, { side: 'own', market: surface.market, text: own });
      await opsimath.post(`${at}/targets`, {
        side: 'rival',
        market: surface.market,
        text: RIVALS.map(surface.of).join('\n'),
      });
      const compare = daysBefore(today, horizon);
      const lookUp = (await opsimath.post(`${at}/look-ups`, {
        market: surface.market,
        date: today,
        compareDate: compare,
        targets: [own, ...RIVALS.map(surface.of)],
        words: surface.words,
        extent: 'captures',
        captureMost: surface.captures,
      })) as { job: { id: number } };
      await opsimath.finished(lookUp.job.id);
      // What is learnt from: the captured keywords as they stood a horizon ago.
      const scope = `market=${surface.market}&date=${today}`;
      const captured: GapRow[] = [];
      for (let offset = 0; ; offset += 500) {
        const page = (await opsimath.get(
          `${at}/gaps?${scope}&sort=-priority&limit=500&offset=${offset}`,
        )) as { rows: GapRow[] };
        captured.push(...page.rows);
        if (page.rows.length < 500) break;
      }
      const held = captured.filter(({ captureDate }) => captureDate === today);
      const job = (await opsimath.post(`${at}/captures`, {
        market: surface.market,
        dates: [compare],
        keywords: held.map(({ id }) => id),
      })) as { id: number };
      await opsimath.finished(job.id);
      const rows: GapRow[] = [];
      for (let offset = 0; ; offset += 500) {
        const page = (await opsimath.get(
          `${at}/gaps?${scope}&sort=-priority&limit=500&offset=${offset}`,
        )) as { rows: GapRow[] };
        rows.push(...page.rows);
        if (page.rows.length < 500) break;
      }
      const models = (await opsimath.get(`${at}/models?${scope}`)) as {
        curve: { points: { position: number; used: number }[] };
        forecast: {
          fitted: boolean;
          changes: unknown;
          quality: unknown;
          changedRows: number;
          priorRows: number | null;
        };
      };
      say(
        `${seed} ${surface.market}: ${rows.length} keywords, ${held.length} captured; ${JSON.stringify({ ...(models.forecast.quality as object), calibration: undefined })} ${JSON.stringify(models.forecast.changes)} changed ${models.forecast.changedRows} prior ${models.forecast.priorRows}`,
      );
      const curve = new Float64Array(256);
      for (const { position, used } of models.curve.points) curve[position] = used;
      curves.set(kind, curve);
      const aimed: Aimed[] = [];
      const taken = new Set<string>();
      for (const row of rows) {
        if (aimed.length >= most) break;
        if (
          row.priority === null ||
          row.captureDate === null ||
          row.ownAddress === null ||
          taken.has(row.ownAddress)
        )
          continue;
        const action =
          row.action === 'retitle' || row.action === 'add the words'
            ? 'title'
            : row.action === 'strengthen'
              ? 'fields'
              : null;
        if (action === null) continue;
        taken.add(row.ownAddress);
        aimed.push({
          row,
          action,
          address: row.ownAddress,
          dossier: (await opsimath.get(`${at}/keywords/${row.id}/dossier?${scope}`)) as Dossier,
        });
      }
      for (const { row, action, address } of aimed) {
        const { title, description } = await world.record(surface.market, address);
        const said = row.text[0]!.toUpperCase() + row.text.slice(1);
        await world.publish(
          surface.market,
          address,
          action === 'title'
            ? { title: proposedTitle(row.text, title, surface.limit, 'en') }
            : { description: `${said}. ${description}` },
        );
      }
      const others = rows.filter(
        (row) =>
          row.captureDate !== null &&
          row.own !== 'unknown' &&
          row.demand !== null &&
          !aimed.some((one) => one.row.id === row.id) &&
          (row.ownAddress === null ? false : true),
      );
      const step = Math.max(1, Math.floor(others.length / untouched));
      const watched = others.filter((_, n) => n % step === 0).slice(0, untouched);
      const plain = await Promise.all(
        watched.map(async (row) => ({
          row,
          dossier: (await opsimath.get(`${at}/keywords/${row.id}/dossier?${scope}`)) as Dossier,
        })),
      );
      await world.advance(horizon + 3);
      await twin.advance(horizon + 3);
      const texts = rows.map(({ text }) => text);
      const [after, without] = [
        await world.places(surface.market, texts),
        await twin.places(surface.market, texts),
      ];
      const best = (places: ReadonlyMap<string, number>): number => {
        let least = ABSENT;
        for (const [address, position] of places)
          if (
            (address === own || address.startsWith(own) || ownAddresses.has(address)) &&
            (least === ABSENT || position < least)
          )
            least = position;
        return least;
      };
      const ownAddresses = new Set(rows.flatMap(({ ownAddress }) => ownAddress ?? []));
      const positionOf = (position: GapRow['own']): number =>
        typeof position === 'number' ? position : ABSENT;
      const demandOf = (row: GapRow): number =>
        row.demand! *
        (row.ownClicks === null || typeof row.own !== 'number' || curve[row.own]! === 0
          ? 1
          : row.ownClicks / (row.volume! * curve[row.own]!));
      const note = (name: string, one: Foretold): void => void all.set(name, [...(all.get(name) ?? []), one]);
      for (const { row, dossier, action, address } of aimed) {
        const alternative = dossier.alternatives.find((one) => one.action === row.action)!;
        const base = { byFields: null, before: positionOf(row.own), demand: demandOf(row) };
        const name = `${kind} ${action}`;
        if (process.argv.includes('--each'))
          say(
            JSON.stringify([
              kind,
              row.text,
              address,
              row.own,
              action,
              'now',
              after.get(row.text)!.get(address) ?? 'absent',
              'else',
              without.get(row.text)!.get(address) ?? 'absent',
              dossier.forecast!.asIs.map((x) => +x.toFixed(2)),
              alternative.after.map((x) => +x.toFixed(2)),
              Math.round(demandOf(row)),
              dossier.page?.slots.find((one) => one.address === address)?.title,
              '→',
              proposedTitle(
                row.text,
                dossier.page?.slots.find((one) => one.address === address)?.title ?? '',
                surface.limit,
                'en',
              ),
              dossier.page?.slots.find((one) => one.address === address)?.description,
            ]),
          );
        note(`${name} with`, {
          ...base,
          bands: alternative.after,
          came: after.get(row.text)!.get(address) ?? ABSENT,
        });
        note(`${name} without`, {
          ...base,
          bands: dossier.forecast!.asIs,
          came: without.get(row.text)!.get(address) ?? ABSENT,
        });
      }
      for (const { row, dossier } of plain)
        note(`${kind} untouched`, {
          byFields: null,
          before: positionOf(row.own),
          demand: demandOf(row),
          bands: dossier.forecast!.asIs,
          came: without.get(row.text)!.get(row.ownAddress!) ?? ABSENT,
        });
      const site = (found: ReadonlyMap<string, ReadonlyMap<string, number>>): number =>
        rows.reduce((sum, row) => {
          const place = best(found.get(row.text)!);
          return row.demand === null || place === ABSENT ? sum : sum + demandOf(row) * curve[place]!;
        }, 0);
      const gained = aimed.reduce((sum, { row }) => sum + (row.gain ?? 0), 0);
      const sure = aimed.reduce((sum, { row, address }) => {
        const [a, b] = [after.get(row.text)!.get(address), without.get(row.text)!.get(address)];
        return sum + demandOf(row) * ((a === undefined ? 0 : curve[a]!) - (b === undefined ? 0 : curve[b]!));
      }, 0);
      say(
        `  site ${site(without).toFixed(0)} → ${site(after).toFixed(0)}: gained ${(site(after) - site(without)).toFixed(0)}; on the keywords aimed at ${sure.toFixed(0)}, foretold ${gained.toFixed(0)} (${aimed.length} targets) ${((Date.now() - started) / 1000).toFixed(0)} s`,
      );
    } finally {
      await Promise.all([server.stop(), world.close(), twin.close()]);
      rmSync(folder, { recursive: true, force: true });
    }
  }
void key;
void table;
const shown = (figures: Figures): string =>
  [
    figures.rows,
    figures.before.toFixed(2),
    figures.foretold.toFixed(2),
    figures.came.toFixed(2),
    figures.calibrationError.toFixed(3),
    figures.clicksForetold.toFixed(0),
    figures.clicksCame.toFixed(0),
    (figures.clicksForetold / figures.clicksCame).toFixed(2),
    figures.logScore.toFixed(3),
    figures.staysScore.toFixed(3),
  ].join(' | ');
say(
  '| what | rows | before | foretold | came | calibration error | clicks foretold | clicks came | ratio | log score | stays |',
);
for (const [name, rows] of [...all].sort((a, b) => a[0].localeCompare(b[0])))
  say(`| ${name} | ${shown(figuresOf(rows, 10, curves.get(name.split(' ')[0]!)!))} |`);
