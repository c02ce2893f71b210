import fc from 'fast-check';
import { DEFAULT_EFFORTS } from '../gap/action';
import { ABSENT } from '../ranking/position';
import type { Foretold, PlanFacts } from './facts';
import { best, valueOf, weighAll } from './weigh';

const NONE: Foretold = { chance: NaN, clickThrough: NaN };
const at = (clickThrough: number): Foretold => ({ chance: Math.min(1, 4 * clickThrough), clickThrough });
const facts = (over: Partial<PlanFacts> = {}): PlanFacts => ({
  surface: 'web',
  own: 14,
  ownPaid: ABSENT,
  doubling: false,
  served: true,
  demand: 1000,
  searches: 1200,
  worth: 2,
  clickCost: 3,
  fit: 0.5,
  paidClicks: NaN,
  paidCost: NaN,
  bidClicks: NaN,
  bidCost: NaN,
  asIs: at(0.01),
  retitled: NONE,
  strengthened: NONE,
  written: NONE,
  shareMoved: 0.8,
  elsewhere: { retitled: { clicks: 0, value: 0 }, strengthened: { clicks: 0, value: 0 } },
  ...over,
});
const actions = (over: Partial<PlanFacts>): string[] =>
  weighAll(facts(over), DEFAULT_EFFORTS).map(({ action }) => action);

describe('each alternative', () => {
  test('retitle and strengthen add what is foretold, for nothing but work', () => {
    const [retitle, strengthen] = weighAll(
      facts({ retitled: at(0.05), strengthened: at(0.07) }),
      DEFAULT_EFFORTS,
    );
    expect(retitle).toMatchObject({ action: 'retitle', clicks: 40, cost: 0, value: 40, effort: 0.25 });
    expect(retitle!.priority).toBeCloseTo(160, 9);
    // More is added, but for a whole day.
    expect(strengthen).toMatchObject({ action: 'strengthen', effort: 1 });
    expect(strengthen!.value).toBeCloseTo(60, 9);
  });

  test('what somebody chose stands first where it can be done, whatever it brings', () => {
    const both = facts({ retitled: at(0.05), strengthened: at(0.07) });
    expect(best(both, DEFAULT_EFFORTS)!.action).toBe('retitle');
    expect(best(both, DEFAULT_EFFORTS, 'strengthen')!.action).toBe('strengthen');
    const loss = best(facts({ strengthened: at(0.001) }), DEFAULT_EFFORTS, 'strengthen')!;
    expect(loss.action).toBe('strengthen');
    expect(loss.value).toBeCloseTo(-9, 9);
    // Nothing of ours is missing a page here.
    expect(best(both, DEFAULT_EFFORTS, 'new page')!.action).toBe('retitle');
  });

  test('what the page’s other keywords win or lose counts, at their own worth', () => {
    const elsewhere = { retitled: { clicks: -30, value: -45 }, strengthened: { clicks: 12, value: 10 } };
    const [strengthen, retitle] = weighAll(
      facts({ retitled: at(0.05), strengthened: at(0.05), elsewhere }),
      DEFAULT_EFFORTS,
    );
    expect(retitle).toMatchObject({ action: 'retitle', clicks: 40, value: -5 });
    expect(strengthen).toMatchObject({ action: 'strengthen', clicks: 40, value: 50 });
    // What is off is nothing to work for.
    const brings = { retitled: { clicks: 30, value: 45 }, strengthened: { clicks: 0, value: 0 } };
    expect(best(facts({ retitled: at(0.05), elsewhere: brings, fit: 0 }), DEFAULT_EFFORTS)).toBeNull();
    // A loss elsewhere can undo what the keyword itself would win.
    expect(best(facts({ retitled: at(0.05), elsewhere }), DEFAULT_EFFORTS)).toBeNull();
  });

  test('a new target only where nothing serves; each surface has its own words', () => {
    const both = { retitled: at(0.05), written: at(0.09) };
    expect(actions({ ...both })).toEqual(['retitle']);
    expect(actions({ ...both, served: false, asIs: at(0) })).toEqual(['new page']);
    expect(actions({ ...both, surface: 'marketplace' })).toEqual(['add the words']);
    expect(actions({ ...both, served: false, surface: 'marketplace' })).toEqual(['new listing']);
    expect(actions({ ...both, served: false, surface: 'video' })).toEqual(['new video']);
  });

  test('a bid is worth what it brings less its price, known where auctions were observed', () => {
    const [bid] = weighAll(facts({ bidClicks: 50, bidCost: 20 }), DEFAULT_EFFORTS);
    expect(bid).toMatchObject({ action: 'advertise', clicks: 50, cost: 20, value: 30, effort: 0.1 });
    expect(actions({ bidClicks: 50, bidCost: 20, ownPaid: 2 })).toEqual([]);
    expect(actions({ worth: 8 })).toEqual(['advertise']);
    expect(weighAll(facts({ worth: 8 }), DEFAULT_EFFORTS)[0]!.value).toBeNaN();
    // Dear, and nobody observed: no suggestion.
    expect(actions({ worth: 2, fit: 1, clickCost: 3 })).toEqual([]);
  });

  test('trimming saves the cost and loses the fifth of the clicks that does not come anyway', () => {
    const paying = { own: 2, ownPaid: 1, doubling: true };
    const [trim] = weighAll(facts({ ...paying, paidClicks: 100, paidCost: 80 }), DEFAULT_EFFORTS);
    expect(trim!.clicks).toBeCloseTo(-20, 9);
    expect(trim!.value).toBeCloseTo(80 - 20, 9);
    // Without ad terms: what the slot usually brings at the expected cost.
    const [usual] = weighAll(facts(paying), DEFAULT_EFFORTS);
    expect(usual!.clicks).toBeCloseTo(-0.2 * 1200 * 0.08, 9);
    expect(usual!.cost).toBeCloseTo(-1200 * 0.08 * 3, 9);
  });
});

test('the best brings most for a day of work; what loses is never best; what is unknown comes after what is known', () => {
  expect(best(facts({ retitled: at(0.005) }), DEFAULT_EFFORTS)).toBeNull();
  expect(best(facts({ retitled: at(0.02), worth: 8 }), DEFAULT_EFFORTS)).toMatchObject({ action: 'retitle' });
  expect(best(facts({ retitled: at(0.005), worth: 8 }), DEFAULT_EFFORTS)).toMatchObject({
    action: 'advertise',
    value: NaN,
  });
  expect(best(facts({ demand: NaN, retitled: at(0.05) }), DEFAULT_EFFORTS)).toMatchObject({
    action: 'retitle',
    value: NaN,
  });
});

test('no alternative beats the best, whatever the facts', () => {
  const share = fc.double({ min: 0, max: 0.3, noNaN: true });
  const foretold = fc.option(share, { nil: null }).map((one) => (one === null ? NONE : at(one)));
  const any = fc.record({
    served: fc.boolean(),
    doubling: fc.boolean(),
    ownPaid: fc.constantFrom(1, 3, ABSENT),
    worth: fc.double({ min: 0, max: 9, noNaN: true }),
    fit: fc.constantFrom(0, 0.4, 0.7, 1),
    bidClicks: fc.constantFrom(NaN, 0, 40, 300),
    bidCost: fc.double({ min: 0, max: 500, noNaN: true }),
    asIs: share.map(at),
    retitled: foretold,
    strengthened: foretold,
    written: foretold,
  });
  fc.assert(
    fc.property(any, (over) => {
      const all = weighAll(facts(over), DEFAULT_EFFORTS);
      const chosen = best(facts(over), DEFAULT_EFFORTS);
      for (const one of all) {
        if (!Number.isNaN(one.value)) expect(one.value).toBeCloseTo(valueOf(one, facts(over)), 9);
        if (one.value > 0) expect(chosen!.priority).toBeGreaterThanOrEqual(one.priority);
      }
      if (chosen === null) expect(all.every(({ value }) => value <= 0)).toBe(true);
    }),
  );
});
