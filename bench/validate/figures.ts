import { BAND_COUNT, bandClicks, bandOf, expectedClickThrough, within } from '@opsimath/core/forecast/bands';
import { draws } from '@opsimath/core/rates/draws';
import { ABSENT } from '@opsimath/core/ranking/position';

/** One forecast beside what came. */
export interface Foretold {
  /** Probability of each band. */
  bands: readonly number[];
  /** Positions as column values: when it was foretold, and at the horizon. */
  before: number;
  came: number;
  /** Searches a month left to organic results. */
  demand: number;
}

/** How a set of forecasts did. */
export interface Figures {
  rows: number;
  /** Share on the front before, mean of P(within F), and the share that was. */
  before: number;
  foretold: number;
  came: number;
  /** Mean distance of the two over tenths of the rows, and how much of it chance alone makes in so few rows. */
  calibrationError: number;
  byChance: number;
  /** Clicks a month: Σ demand · Σ P · c, and at the positions that came. */
  clicksForetold: number;
  clicksCame: number;
  /** Mean ln P of the band that came; of “it stays in its band” as often as these did; of their shares. */
  logScore: number;
  stays: number;
  shares: number;
}

const LEAST = 1e-3;
const TENTHS = 10;
const DRAWS = 200;
const SEED = 12_345;

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** @param curve click-through by position, from 1 */
export function figuresOf(rows: readonly Foretold[], front: number, curve: Float64Array): Figures {
  const clicks = bandClicks(curve);
  const chances = rows.map(({ bands }) => within(Float64Array.from(bands), front));
  const isOnFront = (position: number): number => (position !== ABSENT && position <= front ? 1 : 0);
  const came = rows.map((row) => isOnFront(row.came));
  const sum = (of: (row: Foretold) => number): number => rows.reduce((total, row) => total + of(row), 0);
  const stayed = mean(rows.map((row) => Number(bandOf(row.came) === bandOf(row.before))));
  const shares = new Float64Array(BAND_COUNT).fill(1 / (rows.length + BAND_COUNT));
  for (const row of rows) shares[bandOf(row.came)]! += 1 / (rows.length + BAND_COUNT);
  const score = (of: (row: Foretold) => number): number =>
    mean(rows.map((row) => Math.log(Math.max(LEAST, of(row)))));
  return {
    rows: rows.length,
    before: mean(rows.map((row) => isOnFront(row.before))),
    foretold: mean(chances),
    came: mean(came),
    calibrationError: calibrationError(chances, came),
    byChance: calibrationByChance(chances),
    clicksForetold: sum(
      ({ bands, demand }) => demand * expectedClickThrough(Float64Array.from(bands), clicks),
    ),
    clicksCame: sum((row) => row.demand * (row.came === ABSENT ? 0 : curve[row.came]!)),
    logScore: score(({ bands, came: at }) => bands[bandOf(at)]!),
    stays: score((row) =>
      bandOf(row.came) === bandOf(row.before) ? stayed : (1 - stayed) / (BAND_COUNT - 1),
    ),
    shares: score((row) => shares[bandOf(row.came)]!),
  };
}

function calibrationError(chances: readonly number[], came: readonly number[]): number {
  const order = [...chances.keys()].sort((a, b) => chances[a]! - chances[b]!);
  let sum = 0;
  for (let tenth = 0; tenth < TENTHS; tenth++) {
    const part = order.slice(
      Math.round((tenth * order.length) / TENTHS),
      Math.round(((tenth + 1) * order.length) / TENTHS),
    );
    sum += Math.abs(part.reduce((total, n) => total + chances[n]! - came[n]!, 0));
  }
  return sum / Math.max(1, order.length);
}

/** What the error would be were every chance true: a mean over seeded draws. */
function calibrationByChance(chances: readonly number[]): number {
  const { even } = draws(SEED);
  let sum = 0;
  for (let draw = 0; draw < DRAWS; draw++)
    sum += calibrationError(
      chances,
      chances.map((chance) => (even() < chance ? 1 : 0)),
    );
  return sum / DRAWS;
}
