/** One measured figure against what was asked for. */
export interface Measured {
  what: string;
  medianMs: number;
  runs: number;
  limitMs: number | null;
}

/** Median time of several runs in milliseconds; the first run warms up and does not count. */
export async function measure(
  what: string,
  limitMs: number | null,
  runs: number,
  act: (run: number) => Promise<unknown>,
): Promise<Measured> {
  await act(-1);
  const times: number[] = [];
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    await act(run);
    times.push(performance.now() - start);
  }
  return { what, medianMs: medianOf(times), runs, limitMs };
}

/** A single long run. */
export async function once(
  what: string,
  limitMs: number | null,
  act: () => Promise<unknown>,
): Promise<Measured> {
  const start = performance.now();
  await act();
  return { what, medianMs: performance.now() - start, runs: 1, limitMs };
}

export function medianOf(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1]!;
}

export function print(measured: readonly Measured[]): void {
  const shown = (ms: number): string => (ms >= 1000 ? `${(ms / 1000).toFixed(2)} s` : `${ms.toFixed(1)} ms`);
  process.stdout.write('\n| what | median | runs | asked for |\n|---|---|---|---|\n');
  for (const { what, medianMs, runs, limitMs } of measured) {
    process.stdout.write(
      `| ${what} | ${shown(medianMs)} | ${runs} | ${limitMs === null ? '' : `under ${shown(limitMs)}`} |\n`,
    );
  }
}
