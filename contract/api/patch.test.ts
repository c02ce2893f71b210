import fc from 'fast-check';
import { z } from 'zod';
import { patched, takenBack } from './patch';
import { patchOf } from './patchSchema';
import { projectChange, projectSettings } from './projects';

const USUAL = projectSettings.parse({});

test('a change says nothing of what it does not name, however deep', () => {
  const { settings } = projectChange.parse({ settings: { margin: 0.4, efforts: { retitle: 2 } } });
  expect(settings).toEqual({ margin: 0.4, efforts: { retitle: 2 } });
});

test('a setting that is not known is refused, not passed over', () => {
  expect(projectChange.safeParse({ settings: { marign: 0.4 } }).success).toBe(false);
  expect(projectChange.safeParse({ settings: { efforts: { sing: 1 } } }).success).toBe(false);
});

test('every single setting can be changed by itself and taken back by itself', () => {
  fc.assert(
    fc.property(fc.constantFrom(...(Object.keys(USUAL) as (keyof typeof USUAL)[])), (name) => {
      const change = { [name]: USUAL[name] };
      expect(projectChange.parse({ settings: change }).settings).toEqual(change);
      expect(takenBack(USUAL, change)).toEqual(change);
    }),
  );
});

test('changes of different parts keep one another; each taken back restores its own part alone', () => {
  const schema = z.object({
    a: z.int().default(1),
    b: z.object({ c: z.int().default(2), d: z.int().default(3) }).default({ c: 2, d: 3 }),
  });
  const change = patchOf(schema);
  const part = fc.record(
    { a: fc.nat(), b: fc.record({ c: fc.nat(), d: fc.nat() }, { requiredKeys: [] }) },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(part, part, (one, two) => {
      const start = schema.parse({});
      const first = change.parse(one);
      const second = change.parse(two);
      const after = patched(patched(start, first), second);
      expect(after).toEqual({
        a: two.a ?? one.a ?? 1,
        b: { c: two.b?.c ?? one.b?.c ?? 2, d: two.b?.d ?? one.b?.d ?? 3 },
      });
      const before = patched(start, first);
      expect(patched(after, takenBack(before, second))).toEqual(before);
    }),
  );
});
