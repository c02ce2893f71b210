import { BAND_COUNT, bandClicks, bandOf, expectedClickThrough, within } from '@opsimath/core/forecast/bands';
import { ABSENT } from '@opsimath/core/ranking/position';

/** One forecast beside what came. */
export interface Foretold {
  /** Probability of each band. */
  bands: readonly number[];
  /** What the page’s fields alone say of the front (§6): the model before this one. */
  byFields: number | null;
  /** Positions as column values. */
  before: number;
  came: number;
  /** Searches a month left to organic results. */
  demand: number;
}

export interface Figures {
  rows: number;
  /** Mean of P(within F), and the share that was. */
  foretold: number;
  came: number;
  before: number;
  calibrationError: number;
  clicksForetold: number;
  clicksCame: number;
  logScore: number;
  /** Log score of “it stays in its band”, with the share of those that did. */
  staysScore: number;
}

const LEAST = 1e-3;
const DECILES = 10;

/** @param curve click-through by position, from 1 */
export function figuresOf(rows: readonly Foretold[], front: number, curve: Float64Array): Figures {
  const clicks = bandClicks(curve);
  const chances = rows.map(({ bands }) => within(Float64Array.from(bands), front));
  const came = rows.map((row) => (row.came !== ABSENT && row.came <= front ? 1 : 0));
  const mean = (values: readonly number[]): number =>
    values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
  const sum = (of: (row: Foretold) => number): number => rows.reduce((total, row) => total + of(row), 0);
  const stayed = mean(rows.map((row) => Number(bandOf(row.came) === bandOf(row.before))));
  const stays = (row: Foretold): number =>
    bandOf(row.came) === bandOf(row.before) ? stayed : (1 - stayed) / (BAND_COUNT - 1);
  return {
    rows: rows.length,
    foretold: mean(chances),
    came: mean(came),
    before: mean(rows.map((row) => (row.before !== ABSENT && row.before <= front ? 1 : 0))),
    calibrationError: calibrationError(chances, came),
    clicksForetold: sum(
      ({ bands, demand }) => demand * expectedClickThrough(Float64Array.from(bands), clicks),
    ),
    clicksCame: sum((row) => row.demand * (row.came === ABSENT ? 0 : curve[row.came]!)),
    logScore: mean(rows.map(({ bands, came: at }) => Math.log(Math.max(LEAST, bands[bandOf(at)]!)))),
    staysScore: mean(rows.map((row) => Math.log(Math.max(LEAST, stays(row))))),
  };
}

/** Mean distance between what is foretold and what comes, over tenths of the rows by what is foretold. */
function calibrationError(chances: readonly number[], came: readonly number[]): number {
  const order = [...chances.keys()].sort((a, b) => chances[a]! - chances[b]!);
  let sum = 0;
  for (let tenth = 0; tenth < DECILES; tenth++) {
    const part = order.slice(
      Math.round((tenth * order.length) / DECILES),
      Math.round(((tenth + 1) * order.length) / DECILES),
    );
    sum += Math.abs(part.reduce((total, n) => total + chances[n]! - came[n]!, 0));
  }
  return sum / Math.max(1, order.length);
}
