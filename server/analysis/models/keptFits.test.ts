import { mkdtempSync, readdirSync, rmSync, truncateSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { KeptFits } from './keptFits';

let folder: string;
let program: string;
let made: number;
beforeEach(() => {
  const home = mkdtempSync(path.join(tmpdir(), 'fits-'));
  folder = path.join(home, 'fits');
  program = path.join(home, 'program.js');
  writeFileSync(program, 'first');
  made = 0;
});
afterEach(() => rmSync(path.dirname(folder), { recursive: true, force: true }));

/** A fit that takes as long as one that is worth keeping, by the clock that is read. */
const slow = (value: unknown, takes = 5000) => {
  let clock = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => clock);
  return () => {
    made++;
    clock += takes;
    return Promise.resolve(value);
  };
};
afterEach(() => jest.restoreAllMocks());

test('what was fitted outlives a restart as it was, to the last bit', async () => {
  const fit = { weights: Float64Array.of(0.1, -0, NaN, Infinity), none: null, quality: { share: 1 / 3 } };
  const given = { rows: Uint8Array.of(1, 2, 3), front: 10 };
  expect(await new KeptFits(folder).get(program, given, slow(fit))).toEqual(fit);
  const again = await new KeptFits(folder).get(program, { ...given }, slow('other'));
  expect(again).toEqual(fit);
  expect(made).toBe(1);
});

test('that there is no fit is kept as well', async () => {
  expect(await new KeptFits(folder).get(program, 1, slow(null))).toBeNull();
  expect(await new KeptFits(folder).get(program, 1, slow('other'))).toBeNull();
});

test.each<[string, () => Promise<unknown>]>([
  ['other rows', () => new KeptFits(folder).get(program, { rows: Uint8Array.of(1, 2, 4) }, slow('new'))],
  [
    'other code',
    () => {
      writeFileSync(program, 'second');
      return new KeptFits(folder).get(program, { rows: Uint8Array.of(1, 2, 3) }, slow('new'));
    },
  ],
  [
    'a damaged file',
    () => {
      truncateSync(path.join(folder, readdirSync(folder)[0]!), 9);
      return new KeptFits(folder).get(program, { rows: Uint8Array.of(1, 2, 3) }, slow('new'));
    },
  ],
  [
    'a folder that was deleted',
    () => {
      rmSync(folder, { recursive: true });
      return new KeptFits(folder).get(program, { rows: Uint8Array.of(1, 2, 3) }, slow('new'));
    },
  ],
])('it is fitted anew for %s', async (_, again) => {
  await new KeptFits(folder).get(program, { rows: Uint8Array.of(1, 2, 3) }, slow('old'));
  expect(await again()).toBe('new');
  expect(made).toBe(2);
});

test('what is made in no time is not kept, and a place that takes no file only costs time', async () => {
  await new KeptFits(folder).get(program, 1, slow('quick', 10));
  await new KeptFits(folder).get(program, 1, slow('quick', 10));
  expect(made).toBe(2);
  writeFileSync(folder, 'no folder');
  expect(await new KeptFits(folder).get(program, 1, slow('fit'))).toBe('fit');
});

test('of many those not used for the longest go', async () => {
  const fits = new KeptFits(folder);
  await fits.get(program, 'used', slow('used'));
  const [first] = readdirSync(folder);
  for (let n = 0; n < 59; n++) await fits.get(program, n, slow(n));
  for (const name of readdirSync(folder)) utimesSync(path.join(folder, name), 1, name === first ? 2 : 1);
  await fits.get(program, 'used', slow('anew'));
  for (let n = 100; n < 105; n++) await fits.get(program, n, slow(n));
  expect(readdirSync(folder)).toHaveLength(60);
  expect(readdirSync(folder)).toContain(first);
  made = 0;
  expect(await fits.get(program, 'used', slow('anew'))).toBe('used');
  expect(made).toBe(0);
});
