import { createWriteStream } from 'node:fs';
import { once as eventOnce } from 'node:events';
import { openAsBlob } from 'node:fs';
import path from 'node:path';
import type { RecipeStep, Sieve } from '@opsimath/contract/api/sift';
import type { api } from '../scripts/api.mjs';
import { type Measured, measure, once } from './measure';
import { peakMemory } from './processMemory';
import { measureWords } from './words';

const KEYWORDS = 1_000_000;
const TARGETS = ['north.example', 'south.example', 'east.example', 'west.example'];
const RUNS = 9;
const WORDS =
  'pannier bag bike waterproof touring small large rack canvas leather frame saddle handlebar commuter roll top clip hook strap red blue green black set pair cheap best light heavy rain cover'.split(
    ' ',
  );

/** Deterministic draws, so that every run measures the same pool. */
function draws(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A table of rankings: a million keywords, four million positions. */
export async function writeTable(file: string): Promise<void> {
  const draw = draws(7);
  const stream = createWriteStream(file);
  const write = async (text: string): Promise<void> => {
    if (!stream.write(text)) await eventOnce(stream, 'drain');
  };
  await write('keyword,target,date,organic,paid,volume\n');
  const seen = new Set<string>();
  let lines = '';
  while (seen.size < KEYWORDS) {
    const count = 2 + Math.floor(draw() * 4);
    const words: string[] = [];
    for (let i = 0; i < count; i++) {
      const word = WORDS[Math.floor(draw() * WORDS.length)]!;
      words.push(draw() < 0.55 ? `${word}${Math.floor(draw() * 3000)}` : word);
    }
    const keyword = words.join(' ');
    if (seen.has(keyword)) continue;
    seen.add(keyword);
    const volume = Math.round(10 + 60_000 / (1 + draw() * 9000));
    for (const target of TARGETS)
      lines += `${keyword},${target}/p${Math.floor(draw() * 50)},2026-03-14,${1 + Math.floor(draw() * 100)},${draw() < 0.1 ? 1 + Math.floor(draw() * 6) : ''},${volume}\n`;
    if (lines.length > 1 << 20) {
      await write(lines);
      lines = '';
    }
  }
  stream.end(lines);
  await eventOnce(stream, 'close');
}

/** A pool of a million keywords: brought in from a file, then sorted and filtered over HTTP. */
export async function measureLargePool(
  opsimath: ReturnType<typeof api>,
  url: string,
  pid: number,
  folder: string,
  say: (text: string) => void,
): Promise<Measured[]> {
  const file = path.join(folder, 'rankings.csv');
  say('A pool of a million keywords: writing the file…');
  await writeTable(file);
  const project = await opsimath.post('/projects', { name: 'Large' });
  const answer = await fetch(`${url}/api/projects/${project.id}/imports?name=rankings.csv&kind=rankings`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: await openAsBlob(file),
  });
  const { import: entry, preview } = (await answer.json()) as {
    import: { id: number };
    preview: { reading: object };
  };
  const measured: Measured[] = [];
  const market = 'web-gb-en';
  measured.push(
    await once('import of 1,000,000 keywords with 4,000,000 rankings from CSV', 20_000, async () => {
      const started = await opsimath.post(`/imports/${entry.id}/start`, { market, reading: preview.reading });
      await opsimath.finished(started.job.id);
    }),
  );
  say(`Memory of the server, at most so far: ${peakMemory(pid).toFixed(0)} MB`);
  const [lookUp] = await opsimath.get(`/projects/${project.id}/look-ups`);
  const pool = (query: string): Promise<{ total: number }> =>
    opsimath.get(`/look-ups/${lookUp.id}/keywords?limit=100&${query}`);
  measured.push(await once('the pool of 1,000,000 opened for the first time', null, () => pool('')));
  say(`${(await pool('')).total} keywords in the pool`);
  measured.push(await measure('first page of 1,000,000', 80, RUNS, () => pool('')));
  const sorts = [
    'volume',
    '-best',
    'keyword',
    '-keyword',
    'paid',
    '-targets',
    'words',
    'clicks',
    '-sources',
    'best',
  ];
  // Each sort once: none was asked for before.
  let next = 0;
  measured.push(
    await measure('another sort of 1,000,000, never asked for before', 80, sorts.length - 1, () =>
      pool(`sort=${sorts[next++ % sorts.length]}`),
    ),
  );
  measured.push(
    await measure('two orders in a row', null, RUNS, (run) => pool(`sort=words,${run % 2 ? '-' : ''}volume`)),
  );
  const phrases = [
    'waterproof pannier',
    'bike bag',
    'rain cover',
    'roll top',
    'small rack',
    'red blue',
    'best light',
    'canvas frame',
    'saddle bag',
    'hook strap',
  ];
  measured.push(
    await measure('phrase filter', 60, RUNS, (run) =>
      pool(`mode=phrase&words=${encodeURIComponent(phrases[run + 1]!)}`),
    ),
  );
  measured.push(
    await measure('all-words filter', 60, RUNS, (run) =>
      pool(`mode=${encodeURIComponent('all words')}&words=${encodeURIComponent(phrases[run + 1]!)}`),
    ),
  );
  measured.push(...(await measureRecipe(opsimath, lookUp.id)));
  measured.push(await measure('one common word', 60, RUNS, (run) => pool(`words=${WORDS[run + 1]}`)));
  measured.push(...(await measureWords(opsimath, lookUp.id, say)));
  say(`Memory of the server, at most: ${peakMemory(pid).toFixed(0)} MB`);
  return measured;
}

/** A recipe of eight sieves over the pool; each run turns one of them on or off, which nobody has asked for before. */
async function measureRecipe(opsimath: ReturnType<typeof api>, lookUp: number): Promise<Measured[]> {
  const bounds = (least: number | null, most: number | null) => ({ least, most, unknown: true });
  const sieves: Sieve[] = [
    { kind: 'words', mode: 'any word', text: 'cheap, best', out: true },
    { kind: 'figure', figure: 'volume', ...bounds(20, null) },
    { kind: 'figure', figure: 'word count', ...bounds(2, 4) },
    { kind: 'position', target: TARGETS[0]!, ...bounds(1, 80) },
    { kind: 'ranked by', atLeast: 2, within: 60 },
    { kind: 'words', mode: 'any word', text: 'bag, bike, pannier, rack', out: false },
    { kind: 'found', ways: ['organic', 'paid'] },
    { kind: 'figure', figure: 'volume', ...bounds(null, 5000) },
  ];
  const steps = (off: number): RecipeStep[] =>
    sieves.map((sieve, n) => ({ id: String(n), on: n !== off, sieve }));
  const sift = (given: RecipeStep[]) => opsimath.post(`/look-ups/${lookUp}/sift`, { steps: given });
  return [
    await once('a recipe of eight sieves over 1,000,000, for the first time', null, () => sift(steps(-1))),
    await measure('any sieve of it turned: all counts and the first rows', 150, RUNS, (run) =>
      sift(steps((run + 1) % sieves.length)),
    ),
    await measure('a limit of it changed', 150, RUNS, (run) =>
      sift(
        steps(-1).with(1, {
          id: '1',
          on: true,
          sieve: { kind: 'figure', figure: 'volume', ...bounds(30 + run, null) },
        }),
      ),
    ),
  ];
}
