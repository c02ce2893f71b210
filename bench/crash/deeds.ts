import { randomUUID } from 'node:crypto';
import type { api } from '../../scripts/api.mjs';
import type { Ledger, drawer } from './ledger';

export interface Ground {
  opsimath: ReturnType<typeof api>;
  ledger: Ledger;
  draw: ReturnType<typeof drawer>;
  project: number;
  market: string;
  targets: string[];
  keywords: number[];
  archive: Buffer;
  /** Of the worker: two never judge the same keywords or change the same settings. */
  worker: number;
  workers: number;
}

const VERDICTS = ['fit', 'adjacent', 'off'];
const SETTINGS = ['margin', 'conversionRate', 'defaultWorth', 'leadDays'];
const DATES = ['2026-03-14', '2026-03-07', '2026-02-14', '2025-12-14'];
const ROWS = 400;
let counter = 0;

/** Does one thing and notes what came of it. Throws when the server died meanwhile. */
type Deed = (ground: Ground) => Promise<void>;

const judge: Deed = async ({ opsimath, ledger, draw, project, keywords, worker, workers }) => {
  const mine = keywords.filter((_, n) => n % workers === worker);
  const keyword = draw.of(mine);
  const verdict = draw.of(VERDICTS);
  const entry = ledger.verdicts.get(keyword) ?? { confirmed: '', perhaps: new Set<string>() };
  ledger.verdicts.set(keyword, entry);
  entry.perhaps.add(verdict);
  const step = { id: randomUUID(), changes: [{ keyword, verdict }], person: `worker ${worker}` };
  await opsimath.post(`/projects/${project}/verdicts/steps`, { steps: [step] });
  entry.confirmed = verdict;
  entry.perhaps.clear();
};

const keepList: Deed = async ({ opsimath, ledger, draw, project, market, keywords }) => {
  const name = `list ${++counter}`;
  const entry = { table: 'keyword_list' as const, confirmed: false };
  ledger.named.set(name, entry);
  const members = keywords.filter(() => draw.below(3) === 0);
  await opsimath.post(`/projects/${project}/lists`, {
    name,
    market,
    keywords: members.length > 0 ? members : keywords,
  });
  entry.confirmed = true;
};

const writeNote: Deed = async ({ opsimath, ledger, draw, project, keywords }) => {
  const text = `note ${++counter}`;
  const entry = { table: 'note' as const, confirmed: false };
  ledger.named.set(text, entry);
  const subject = { on: 'keyword', keyword: draw.of(keywords) };
  await opsimath.post(`/projects/${project}/notes`, { subject, text });
  entry.confirmed = true;
};

const set: Deed = async ({ opsimath, ledger, draw, project, worker }) => {
  const name = SETTINGS[worker % SETTINGS.length]!;
  const value = name === 'leadDays' ? draw.below(300) : draw.below(1000) / 1000;
  const entry = ledger.settings.get(name) ?? { confirmed: null, perhaps: new Set<number>() };
  ledger.settings.set(name, entry);
  entry.perhaps.add(value);
  await opsimath.patch(`/projects/${project}`, { settings: { [name]: value } });
  entry.confirmed = value;
  entry.perhaps.clear();
};

const TABLES: Record<string, (n: number, run: number) => string> = {
  'query,page,date,clicks,impressions': (n, run) =>
    `own ${run} ${n},tarnwick.example/p${n},2026-03-0${1 + (n % 9)},1,10`,
  'keyword,date,volume,cpc': (n, run) => `known ${run} ${n},2026-03-01,${n},0.5`,
  'search term,date,ad keyword,clicks,impressions,cost': (n, run) =>
    `typed ${run} ${n},2026-03-02,bid ${n % 7},1,10,0.4`,
  'keyword,target,date,organic': (n, run) =>
    `ranked ${run} ${n},cobblemoor.example/p${n},2026-03-03,${1 + (n % 90)}`,
};

const takeIn: Deed = async ({ opsimath, ledger, draw, project, market }) => {
  const head = draw.of(Object.keys(TABLES));
  const run = ++counter;
  const size = draw.of([20, ROWS, 30_000]);
  const lines = Array.from({ length: size }, (_, n) => TABLES[head]!(n, run));
  const { import: entry, preview } = await opsimath.upload(
    `/projects/${project}/imports?name=${run}.csv`,
    [head, ...lines].join('\n'),
  );
  // Before it is confirmed: whether it was started is asked for in the end.
  ledger.imports.set(entry.id, size);
  await opsimath.post(`/imports/${entry.id}/start`, {
    market,
    reading: preview.reading,
    marketConfirmed: true,
  });
};

const lookUp: Deed = async ({ opsimath, ledger, draw, project, market, targets }) => {
  const made = await opsimath.post(`/projects/${project}/look-ups`, {
    market,
    date: draw.of(DATES),
    targets: targets.filter(() => draw.below(2) === 0).concat(draw.of(targets)),
    seeds: draw.below(3) === 0 ? ['bike bag'] : [],
    ways: draw.below(3) === 0 ? ['phrase', 'also ranked'] : ['suggestions'],
    extent: draw.of(['positions', 'metrics', 'captures']),
    captureMost: 150,
  });
  ledger.lookUps.add(made.id);
  ledger.jobs.add(made.job.id);
};

const capture: Deed = async ({ opsimath, ledger, draw, project, market, keywords }) => {
  const { id } = await opsimath.post(`/projects/${project}/captures`, {
    market,
    dates: [draw.of(DATES)],
    keywords: keywords.filter(() => draw.below(2) === 0).concat(keywords[0]!),
  });
  ledger.jobs.add(id);
};

const bringArchive: Deed = async ({ opsimath, ledger, archive }) => {
  const { project, job } = await opsimath.upload('/archives', archive);
  ledger.archives.set(project.id, job.id);
};

/** Each as often as it stands here. */
export const DEEDS: readonly Deed[] = [
  ...Array<Deed>(8).fill(judge),
  ...Array<Deed>(3).fill(keepList),
  ...Array<Deed>(3).fill(writeNote),
  ...Array<Deed>(4).fill(set),
  takeIn,
  takeIn,
  lookUp,
  capture,
  bringArchive,
];
