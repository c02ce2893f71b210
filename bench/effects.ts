import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { DEFAULT_WINDOWS, type ScoreSeries, effectOf } from '@opsimath/core/effect/effectOf';
import { score } from '@opsimath/core/effect/score';
import { startServices } from '../scripts/programs.mjs';

/**
 * How often an effect’s interval holds the truth, in the simulated worlds of several seeds, whose positions drift over days as
 * pages and keywords do: changes that nobody made, of which the truth is 0, and the same with a lift of known size added.
 */
const MARKET = 'web-us-en';
const OWN = 'tarnwick.example';
const DEPTH = 100;
const DAYS = 70;
const KEYWORDS = 150;
const TRIALS = 200;
const LIFT = 0.6;
const seeds = [5, 17, 91];

let state = 3;
const random = (): number => (state = (state * 16807) % 2147483647) / 2147483647;
const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
const say = (text: string): void => void process.stdout.write(`${text}\n`);

let [held, missed, all] = [0, 0, 0];
for (const seed of seeds) {
  const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-effects-'));
  const services = await startServices([
    ...['--seed', String(seed), '--allowance', '100000000', '--state', path.join(folder, 'services.json')],
  ]);
  try {
    const { series, pageOf, first } = await drifting(services.url);
    const pages = [...new Set(pageOf.values())];
    for (let trial = 0; trial < TRIALS; trial++) {
      const day = first + 15 + Math.floor(random() * (DAYS - 35));
      // What a change aims at are keywords of one page, now and then of several.
      const page = pick(pages);
      const aimed = new Set([...pageOf].filter(([, at]) => at === page).map(([keyword]) => keyword));
      if (trial % 4 === 0) for (let n = 0; n < 5; n++) aimed.add(pick([...pageOf.keys()]));
      const truth = trial % 2 === 0 ? LIFT : 0;
      const treated = series
        .filter(({ keyword }) => aimed.has(keyword))
        .map((one) => ({
          ...one,
          scores: one.scores.map((value, n) => (one.days[n]! >= day ? value + truth : value)),
        }));
      const found = effectOf(
        treated,
        series.filter(({ keyword }) => !aimed.has(keyword)),
        day,
        DEFAULT_WINDOWS,
      );
      if (found.state !== 'told') continue;
      all++;
      if (found.low <= truth && truth <= found.high) held++;
      else missed++;
    }
    say(`seed ${seed}: ${series.length} keywords, ${pages.length} pages; ${held} of ${all} so far`);
  } finally {
    await services.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
say(
  `${all} changes: the 95 % interval holds the truth in ${((100 * held) / all).toFixed(1)} %, misses it in ${((100 * missed) / all).toFixed(1)} %`,
);

/** Scores of keywords that we stand for, every day, and the page that stands for each on the first. */
async function drifting(url: string): Promise<{
  series: ScoreSeries[];
  pageOf: Map<number, string>;
  /** Day number of the first day. */
  first: number;
}> {
  const ask = async (address: string, body?: unknown): Promise<unknown> =>
    (
      await fetch(`${url}/v1${address}`, {
        method: body === undefined ? 'GET' : 'POST',
        headers: { 'content-type': 'application/json' },
        body: body === undefined ? undefined : JSON.stringify(body),
      })
    ).json();
  const { today } = (await ask('/clock')) as { today: string };
  const first = dayOf(today) - DAYS + 1;
  const { rows } = (await ask(`/rankings?market=${MARKET}&date=${isoDayOf(first)}&target=${OWN}`)) as {
    rows: { keyword: string; address: string; organic: number | null }[];
  };
  const held = rows.filter(({ organic }) => organic !== null && organic <= 60);
  const step = Math.max(1, Math.floor(held.length / KEYWORDS));
  const chosen = [
    ...new Map(held.filter((_, n) => n % step === 0).map((row) => [row.keyword, row])).values(),
  ];
  const pageOf = new Map(chosen.map(({ address }, n) => [n, address]));
  const series: ScoreSeries[] = chosen.map((_, keyword) => ({ keyword, days: [], scores: [] }));
  for (let day = first; day < first + DAYS; day++) {
    const { pages, records } = (await ask('/result-pages', {
      market: MARKET,
      date: isoDayOf(day),
      keywords: chosen.map(({ keyword }) => keyword),
    })) as {
      pages: { slots: { kind: string; position: number | null; record: number | null }[] }[];
      records: { address: string }[];
    };
    pages.forEach(({ slots }, n) => {
      const ours = slots.find(
        ({ kind, record }) => kind === 'organic' && records[record ?? -1]?.address.startsWith(OWN),
      );
      (series[n]!.days as number[]).push(day);
      (series[n]!.scores as number[]).push(score(ours?.position ?? 255, DEPTH));
    });
  }
  return { series, pageOf, first };
}
