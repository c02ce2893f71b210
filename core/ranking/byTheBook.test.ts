import fc from 'fast-check';
import { clicksOfFront, priorCurve } from './clickThrough';
import { difficulty } from './difficulty';
import { PRIOR_IMPRESSIONS, emptyBuckets, fitClickCurve } from './fitCurve';
import { ABSENT, UNKNOWN } from './position';
import { median, quartiles } from './statistics';
import { visibility } from './visibility';

// Method §3, §6 and §15 worked a second time by other ways than the code goes.

const row = fc.record({
  position: fc.integer({ min: 1, max: 100 }),
  impressions: fc.integer({ min: 0, max: 20_000 }),
  share: fc.double({ min: 0, max: 1, noNaN: true }),
});

test('the fitted curve is the best that does not rise: the max-min of weighted means', () => {
  fc.assert(
    fc.property(fc.array(row, { minLength: 1, maxLength: 12 }), (rows) => {
      const buckets = emptyBuckets();
      for (const { position, impressions, share } of rows) {
        buckets.impressions[position]! += impressions;
        buckets.clicks[position]! += Math.floor(impressions * share);
      }
      const prior = priorCurve('web');
      const weight = (p: number): number => buckets.impressions[p]! + PRIOR_IMPRESSIONS;
      const value = (p: number): number => (buckets.clicks[p]! + PRIOR_IMPRESSIONS * prior[p]!) / weight(p);
      const sums = [{ weight: 0, value: 0 }];
      for (let p = 1; p <= 100; p++)
        sums.push({
          weight: sums[p - 1]!.weight + weight(p),
          value: sums[p - 1]!.value + weight(p) * value(p),
        });
      const mean = (from: number, to: number): number =>
        (sums[to]!.value - sums[from - 1]!.value) / (sums[to]!.weight - sums[from - 1]!.weight);
      const curve = fitClickCurve('web', buckets);
      if (rows.every(({ impressions }) => impressions === 0)) {
        expect(curve).toEqual(prior);
        return;
      }
      for (const p of [1, 2, 3, 5, 10, 11, 12, 30, 50, 99, 100]) {
        // Of all runs that begin at or before p the least, over all ends at or after p the most.
        let best = -Infinity;
        for (let to = p; to <= 100; to++) {
          let least = Infinity;
          for (let from = 1; from <= p; from++) least = Math.min(least, mean(from, to));
          best = Math.max(best, least);
        }
        expect(curve[p]).toBeCloseTo(best, 9);
      }
    }),
    { numRuns: 60 },
  );
});

test('difficulty is seven tenths of the median authority and thirty for the share with the phrase', () => {
  const slot = fc.record({
    authority: fc.option(fc.integer({ min: 0, max: 100 }), { nil: null }),
    phraseInTitle: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(slot, { maxLength: 12 }), (front) => {
      const known = front.flatMap(({ authority }) => authority ?? []).sort((a, b) => a - b);
      const found = difficulty(front);
      if (known.length === 0) {
        expect(found).toBeNull();
        return;
      }
      const middle = (known[(known.length - 1) >> 1]! + known[known.length >> 1]!) / 2;
      const held = front.filter(({ phraseInTitle }) => phraseInTitle).length / front.length;
      expect(found).toBe(Math.floor(0.7 * middle + 30 * held + 0.5));
      expect(found).toBeGreaterThanOrEqual(0);
      expect(found).toBeLessThanOrEqual(100);
      expect(difficulty([...front].reverse())).toBe(found);
    }),
  );
});

test('half of some figures lie on either side of their median, a quarter beyond each quartile', () => {
  const figures = fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 40 });
  fc.assert(
    fc.property(figures, (values) => {
      const [low, middle, high] = quartiles(values)!;
      const below = (limit: number): number => values.filter((value) => value < limit).length;
      const above = (limit: number): number => values.filter((value) => value > limit).length;
      expect(middle).toBe(median(values));
      for (const side of [below(middle), above(middle)]) expect(side).toBeLessThanOrEqual(values.length / 2);
      expect(below(low)).toBeLessThanOrEqual(values.length / 4 + 1);
      expect(above(high)).toBeLessThanOrEqual(values.length / 4 + 1);
      expect(low <= middle && middle <= high).toBe(true);
    }),
  );
});

test('visibility is 1 for who stands first everywhere, 0 for who is absent, and unknown counts on neither side', () => {
  const curve = priorCurve('web');
  const place = fc.oneof(fc.integer({ min: 1, max: 100 }), fc.constantFrom(ABSENT, UNKNOWN));
  const keyword = fc.tuple(place, fc.option(fc.integer({ min: 0, max: 9000 }), { nil: NaN }));
  fc.assert(
    fc.property(fc.array(keyword, { maxLength: 20 }), (keywords) => {
      const positions = Uint8Array.from(keywords, ([position]) => position);
      const volumes = Float64Array.from(keywords, ([, volume]) => volume);
      const rows = keywords.map((_, i) => i);
      const counted = keywords.filter(([position, volume]) => position !== UNKNOWN && !Number.isNaN(volume));
      const possible = counted.reduce((sum, [, volume]) => sum + 0.3 * volume, 0);
      const got = counted.reduce((sum, [position, volume]) => sum + volume * curve[position]!, 0);
      const found = visibility(positions, volumes, curve, rows);
      if (possible === 0) expect(found).toBeNull();
      else expect(found).toBeCloseTo(got / possible, 12);
      const first = visibility(
        positions.map((position) => (position === UNKNOWN ? UNKNOWN : 1)),
        volumes,
        curve,
        rows,
      );
      if (possible > 0) expect(first).toBeCloseTo(1, 12);
      const known = rows.filter((i) => positions[i] !== UNKNOWN && !Number.isNaN(volumes[i]!));
      expect(visibility(positions, volumes, curve, known)).toBe(found);
    }),
  );
});

test('clicks of a front are the sum over its positions, and never more than there are searches', () => {
  const curve = Float64Array.from([0, 0.4, 0.3, 0.2, 0.2, 0.1]);
  expect(clicksOfFront(curve, 1)).toBeCloseTo(0.4, 12);
  expect(clicksOfFront(curve, 3)).toBeCloseTo(0.9, 12);
  expect(clicksOfFront(curve, 5)).toBe(1);
});
