import { sieve as sieveSchema, type RecipeStep } from '@opsimath/contract/api/sift';
import { sieveProblem } from '@opsimath/core/sift/sieve';
import fc from 'fast-check';
import { movedSteps } from './movedSteps';
import { NEW_SIEVES } from './newSieves';
import { VERDICT_KEYS } from '../../parts/act/verdictKeys';

const steps = fc
  .uniqueArray(fc.string({ minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 8 })
  .map((ids) =>
    ids.map((id): RecipeStep => ({ id, on: true, sieve: { kind: 'ranked by', atLeast: 1, within: 10 } })),
  );

test('a moved sieve stands where it was put, or at the end beyond it; the others keep their order', () => {
  fc.assert(
    fc.property(steps, fc.nat(), fc.integer({ min: -3, max: 12 }), (given, which, to) => {
      const { id } = given[which % given.length]!;
      const moved = movedSteps(given, id, to);
      expect(moved.map((step) => step.id).indexOf(id)).toBe(Math.max(0, Math.min(given.length - 1, to)));
      expect(moved.filter((step) => step.id !== id)).toEqual(given.filter((step) => step.id !== id));
    }),
  );
});

test('moving what is not there changes nothing', () => {
  fc.assert(fc.property(steps, (given) => expect(movedSteps(given, 'not there', 0)).toEqual(given)));
});

/** Adding these is the choice itself: there is nothing to fill in. */
const CHOSEN_BY_ADDING = ['one of each group of variants', 'words not to be used', 'nearness to our target'];

test.each(CHOSEN_BY_ADDING)('a new sieve by %s works at once', (wanted) => {
  const { sieve } = NEW_SIEVES.find(({ name }) => name === wanted)!;
  expect(sieveSchema.safeParse(sieve).success).toBe(true);
  expect(sieveProblem(sieve)).toBeNull();
});

test.each(
  NEW_SIEVES.filter(({ name }) => !CHOSEN_BY_ADDING.includes(name)).map(
    ({ name, sieve }) => [name, sieve] as const,
  ),
)('a new sieve by %s can be kept, and hides nothing before something is chosen', (_, sieve) => {
  expect(sieveSchema.safeParse(sieve).success).toBe(true);
  const hidesNothing = sieveProblem(sieve) !== null || (sieve.kind === 'list' && sieve.list === 0);
  // One target that ranks at all: every keyword of a look-up has one, unless it was found another way.
  expect(hidesNothing || sieve.kind === 'ranked by').toBe(true);
});

test('one key for each verdict, none of which goes to a stage', () => {
  expect(Object.values(VERDICT_KEYS).map(({ word }) => word)).toEqual([
    'fit',
    'adjacent',
    'off',
    'unjudged',
    'parked',
  ]);
  for (const { verdict, parked } of Object.values(VERDICT_KEYS)) if (parked) expect(verdict).toBe('unjudged');
});
