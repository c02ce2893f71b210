import fc from 'fast-check';
import type { z } from 'zod';

/** Checks of a schema that decide which values there are, as Zod keeps them. */
interface Check {
  _zod: { def: { check: string; value?: number; minimum?: number; maximum?: number; inclusive?: boolean } };
}
interface Def {
  type: string;
  checks?: Check[];
  format?: string;
  shape?: Record<string, z.ZodType>;
  element?: z.ZodType;
  innerType?: z.ZodType;
  options?: z.ZodType[];
  entries?: Record<string, string>;
  values?: unknown[];
  keyType?: z.ZodType;
  valueType?: z.ZodType;
  items?: z.ZodType[];
}

/** A schema that reads something else than it gives: there is no value that goes through it unchanged. */
export class NoRoundTrip extends Error {}

const defOf = (schema: z.ZodType): Def => schema._zod.def as unknown as Def;

/** Some values that a schema lets through, always the same ones. Throws {@link NoRoundTrip} for what transforms. */
export function samplesOf(schema: z.ZodType, tries = 60): unknown[] {
  return fc
    .sample(raw(schema), { numRuns: tries, seed: 1 })
    .filter((value) => schema.safeParse(value).success);
}

function raw(schema: z.ZodType): fc.Arbitrary<unknown> {
  const def = defOf(schema);
  switch (def.type) {
    case 'object': {
      const fields = Object.entries(def.shape!);
      const optional = fields.filter(([, field]) => defOf(field).type === 'optional').map(([name]) => name);
      return fc.record(Object.fromEntries(fields.map(([name, field]) => [name, raw(field)])), {
        requiredKeys: fields.map(([name]) => name).filter((name) => !optional.includes(name)),
      });
    }
    case 'array':
      return fc.array(raw(def.element!), { minLength: boundOf(def, 'min_length', 0), maxLength: 3 });
    case 'tuple':
      return fc.tuple(...def.items!.map(raw));
    case 'record':
      return recordOf(def);
    case 'nullable':
      return fc.option(raw(def.innerType!), { nil: null });
    // What has a usual value is always there after it was read.
    case 'optional':
    case 'default':
    case 'readonly':
      return raw(def.innerType!);
    case 'union':
      return fc.oneof(...def.options!.map(raw));
    case 'enum':
      return fc.constantFrom(...Object.values(def.entries!));
    case 'literal':
      return fc.constantFrom(...def.values!);
    case 'boolean':
      return fc.boolean();
    case 'unknown':
    case 'any':
      return fc.jsonValue();
    case 'string':
      return stringOf(def);
    case 'number':
      return numberOf(def);
    default:
      throw new NoRoundTrip(`A ${def.type} does not give what it reads.`);
  }
}

function recordOf({ keyType, valueType }: Def): fc.Arbitrary<unknown> {
  const names = defOf(keyType!).entries;
  if (names === undefined) return fc.dictionary(fc.string({ minLength: 1, maxLength: 5 }), raw(valueType!));
  return fc.record(Object.fromEntries(Object.values(names).map((name) => [name, raw(valueType!)])));
}

function stringOf(def: Def): fc.Arbitrary<unknown> {
  const day = fc
    .integer({ min: 0, max: 20_000 })
    .map((days) => new Date(days * 86_400_000).toISOString().slice(0, 10));
  const minLength = boundOf(def, 'min_length', 0);
  const text = fc.string({ minLength, maxLength: Math.max(minLength, 12) });
  return fc.oneof(text, day);
}

function numberOf(def: Def): fc.Arbitrary<unknown> {
  const isWhole =
    (def.checks ?? []).some((check) => check._zod.def.check === 'number_format') || def.format !== undefined;
  const min = boundOf(def, 'greater_than', -1000);
  const max = boundOf(def, 'less_than', Math.max(1000, min));
  if (isWhole) return fc.integer({ min: Math.ceil(min), max: Math.max(Math.ceil(min), Math.floor(max)) });
  return fc.double({ min, max, noNaN: true });
}

function boundOf(def: Def, check: string, usual: number): number {
  const found = (def.checks ?? []).map((one) => one._zod.def).find((one) => one.check === check);
  return found?.value ?? found?.minimum ?? found?.maximum ?? usual;
}
