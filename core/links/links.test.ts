import fc from 'fast-check';
import { type LinkFigures, authoritySlope, domainsRatio, manyLinksLittleAuthority } from './authority';

const known = Array.from({ length: 20 }, (_, i) => ({
  authority: 20 + 2 * i,
  referringDomains: Math.exp((20 + 2 * i) / 9),
}));
const figures: fc.Arbitrary<LinkFigures> = fc.record({
  authority: fc.integer({ min: 0, max: 100 }),
  referringDomains: fc.integer({ min: 0, max: 500_000 }),
});

describe('an authority difference', () => {
  test('is read on a logarithmic scale', () => {
    expect(authoritySlope(known)).toBeCloseTo(1 / 9, 10);
    expect(domainsRatio(1 / 9, 9)).toBeCloseTo(Math.E, 10);
    expect(domainsRatio(1 / 9, 0)).toBe(1);
    expect(domainsRatio(1 / 9, 9) * domainsRatio(1 / 9, -9)).toBeCloseTo(1, 12);
  });

  test('says nothing from fewer than three parents, or when all have one authority', () => {
    expect(authoritySlope(known.slice(0, 2))).toBeNull();
    expect(authoritySlope(known.map((entry) => ({ ...entry, authority: 30 })))).toBeNull();
    expect(authoritySlope(known.map((entry) => ({ ...entry, referringDomains: 0 })))).toBeNull();
  });

  test('no other straight line fits the domains better', () => {
    fc.assert(
      fc.property(
        fc.array(figures, { minLength: 3, maxLength: 30 }),
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        (list, off) => {
          const usable = list.filter(({ referringDomains }) => referringDomains > 0);
          const slope = authoritySlope(list);
          if (slope === null) return;
          const mean = (values: number[]): number =>
            values.reduce((sum, value) => sum + value, 0) / values.length;
          const x = usable.map(({ authority }) => authority);
          const y = usable.map(({ referringDomains }) => Math.log(referringDomains));
          const misses = (tried: number): number => {
            const rest = mean(y) - tried * mean(x);
            return x.reduce((sum, value, i) => sum + (y[i]! - rest - tried * value) ** 2, 0);
          };
          expect(misses(slope)).toBeLessThanOrEqual(misses(slope + off) + 1e-6);
        },
      ),
    );
  });
});

describe('many links and little authority', () => {
  const bought = { authority: 12, referringDomains: 900 };

  test('marks the lowest tenth of the residuals, and nobody among few', () => {
    const flags = manyLinksLittleAuthority([...known, bought]);
    expect(flags.at(-1)).toBe(true);
    expect(flags.filter(Boolean)).toHaveLength(3);
    expect(manyLinksLittleAuthority([bought, ...known.slice(0, 5)])).not.toContain(true);
  });

  test('gives one flag for each in the order given, never to one without domains', () => {
    fc.assert(
      fc.property(fc.array(figures, { maxLength: 60 }), (list) => {
        const flags = manyLinksLittleAuthority(list);
        expect(flags).toHaveLength(list.length);
        const usable = list.filter(({ referringDomains }) => referringDomains > 0).length;
        list.forEach(({ referringDomains }, i) => {
          if (referringDomains === 0) expect(flags[i]).toBe(false);
        });
        if (usable < 10) expect(flags).not.toContain(true);
        else expect(flags.filter(Boolean).length).toBeGreaterThanOrEqual(Math.ceil(usable / 10));
      }),
    );
  });

  test('does not depend on the order of the parents', () => {
    fc.assert(
      fc.property(fc.array(figures, { minLength: 10, maxLength: 40 }), (list) => {
        const turned = manyLinksLittleAuthority(list.toReversed()).toReversed();
        // Rounding may decide between two residuals that are one and the same.
        const different = manyLinksLittleAuthority(list).filter((flag, i) => flag !== turned[i]).length;
        expect(different).toBeLessThanOrEqual(1);
      }),
    );
  });
});
