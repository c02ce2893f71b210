import { draftCoverage, draftKeyword } from '@opsimath/core/copy/draftCoverage';
import { holdField } from '@opsimath/core/copy/heldFields';
import { packSlots } from '@opsimath/core/copy/packSlots';
import { titleBuilder } from '@opsimath/core/copy/titleBuilder';
import { PLAIN_STYLE } from '@opsimath/core/copy/titleStyle';
import type { WorkCandidate } from '@opsimath/core/plan/workList';
import { type Solver, fillRound } from '@opsimath/core/rounds/fillRound';
import { greedyRound } from '@opsimath/core/rounds/greedyRound';
import { key } from '@opsimath/core/text/key';
import loadHighs from 'highs';

/** Times what is solved while somebody plans or writes: medians of several runs, each with other data. */

const RUNS = 9;
let seed = 11;
const random = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
const WORDS = Array.from(
  { length: 400 },
  (_, n) => `${pick(['rear', 'roll', 'bike', 'rain', 'pack', 'moor'])}${n}`,
);
const phrase = (most: number): string =>
  Array.from({ length: 1 + Math.floor(random() * most) }, () => pick(WORDS)).join(' ');

const solver = async (): Promise<Solver> => (await loadHighs()) as unknown as Solver;

async function time(what: string, run: (n: number) => unknown): Promise<void> {
  const spent: number[] = [];
  for (let n = 0; n < RUNS; n++) {
    const from = performance.now();
    await run(n);
    spent.push(performance.now() - from);
  }
  spent.sort((a, b) => a - b);
  const [least, middle, most] = [spent[0]!, spent[RUNS >> 1]!, spent.at(-1)!];
  process.stdout.write(`${what}: ${middle.toFixed(1)} ms (${least.toFixed(1)} to ${most.toFixed(1)})\n`);
}

/** 5,000 pieces of work: pages with several leads each, clusters that are written for, siblings won and lost. */
function candidates(): WorkCandidate[] {
  return Array.from({ length: 5000 }, (_, lead): WorkCandidate => {
    const isNew = lead % 3 === 0;
    const clicks = Math.exp(6 * random());
    const others = Array.from({ length: Math.floor(12 * random()) }, () => {
      const won = Math.exp(4 * random()) * (random() < 0.2 ? -1 : 1);
      return { entry: Math.floor(5000 * random()), clicks: won, value: won * 0.4 };
    });
    return {
      action: isNew ? 'new page' : pick(['retitle', 'strengthen'] as const),
      place: isNew ? 0 : 1 + (lead % 700),
      lead,
      serves: [{ entry: lead, clicks, value: clicks * 0.4 }, ...others.filter(({ entry }) => entry !== lead)],
      cost: 0,
      effort: isNew ? 3 : pick([0.25, 1]),
    };
  });
}

const problems = Array.from({ length: RUNS }, () => ({
  candidates: candidates(),
  people: [6, 4],
  count: 20,
}));
let gain = 0;
await time('a round of 20 from 5,000 candidates, two people', async (n) => {
  const problem = problems[n]!;
  const filled = fillRound(problem, await solver());
  gain += filled.value / greedyRound(problem).value - 1;
});
process.stdout.write(`  beyond greedy: ${((100 * gain) / RUNS).toFixed(2)} %\n`);

const packed = Array.from({ length: RUNS }, () => {
  const words = WORDS.slice(0, 150);
  return Array.from({ length: 400 }, () => ({
    missing: [...new Set(Array.from({ length: 1 + Math.floor(3 * random()) }, () => pick(words)))],
    volume: Math.round(Math.exp(8 * random())),
  }));
});
await time('packing 150 words into 5 slots of 250 bytes, 400 keywords', async (n) =>
  packSlots(packed[n]!, { slots: 5, most: 250, unit: 'bytes' }, await solver()),
);

const titles = Array.from({ length: RUNS }, () =>
  Array.from({ length: 12 }, () => draftKeyword(key(phrase(4)), Math.round(1e4 * random()), 'en')),
);
await time('titles for 12 keywords', (n) =>
  titleBuilder(titles[n]!, { most: 200, unit: 'characters' }, PLAIN_STYLE, 'en'),
);

const wanted = Array.from({ length: 500 }, () => draftKeyword(key(phrase(5)), 100, 'en'));
const body = Array.from({ length: 2000 }, () => pick(WORDS)).join(' ');
const rest = [holdField('description', phrase(20), 'en'), holdField('body', body, 'en')];
await time('coverage of 500 keywords after a change of the title', (n) =>
  draftCoverage([holdField('title', `${phrase(8)} ${n}`, 'en'), ...rest], wanted, 'en'),
);
await time('the same after a change of a body of 100,000 characters', (n) =>
  draftCoverage(
    [holdField('title', 'moor', 'en'), holdField('body', `${`${body} `.repeat(7)}${n}`.slice(0, 1e5), 'en')],
    wanted,
    'en',
  ),
);
