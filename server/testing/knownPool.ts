import type { Running } from './running';
import { MARKET } from './running';

/** A pool whose every figure is known, because the table it comes from is made here. */
export const TARGETS = ['north.example', 'south.example', 'east.example'];
const WORDS = ['bike', 'bag', 'rain', 'cover', 'red', 'frame', 'bags', 'für', 'l’été'];
export const DATES = ['2026-03-01', '2026-03-08'];
export const SIZE = 260;

export interface Known {
  text: string;
  volume: number | null;
  organic: (number | null)[];
  paid: (number | null)[];
}
/** Deterministic draws, so that a failure can be seen again. */
export function drawer(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 0;
    return Math.floor((state / 4294967296) * below);
  };
}

export function makeTable(seed: number): Known[] {
  const draw = drawer(seed);
  const made = new Map<string, Known>();
  while (made.size < SIZE) {
    const text = Array.from({ length: 1 + draw(4) }, () => WORDS[draw(WORDS.length)]!).join(' ');
    if (made.has(text)) continue;
    const place = (rare: number): number | null => (draw(rare) > 0 ? null : 1 + draw(100));
    const organic = TARGETS.map(() => place(2));
    const paid = TARGETS.map(() => place(5));
    if ([...organic, ...paid].every((position) => position === null)) continue;
    // Some volumes are equal, some are nought, some are not given.
    made.set(text, { text, volume: draw(6) === 0 ? null : 10 * draw(40), organic, paid });
  }
  return [...made.values()];
}
export function asCsv(table: readonly Known[], date: string): string {
  const lines = table.flatMap(({ text, volume, organic, paid }) =>
    TARGETS.flatMap((target, t) =>
      organic[t] === null && paid[t] === null
        ? []
        : [`${text},${target}/p,${date},${organic[t] ?? ''},${paid[t] ?? ''},${volume ?? ''}`],
    ),
  );
  return ['keyword,target,date,organic,paid,volume', ...lines].join('\n');
}

/** Brings a table in as a pool; gives the id of its look-up. */
export async function takeIn(running: Running, at: string, name: string, csv: string): Promise<number> {
  const { import: entry, preview } = await running.api.upload(`${at}/imports?name=${name}`, csv);
  const started = await running.api.post(`/imports/${entry.id}/start`, {
    market: MARKET,
    reading: preview.reading,
  });
  await running.api.finished(started.job.id);
  const listed: { id: number; name: string }[] = await running.api.get(`${at}/look-ups`);
  return listed.find((lookUp) => lookUp.name === name)!.id;
}
