import { z } from 'zod';
import type { DeepPartial } from './patch';

/**
 * The schema of a change to something stored: every part may be left out, at every depth, and what is left out stays
 * unsaid. Defaults belong to reading what is stored; in a change they would overwrite what nobody named.
 */
export function patchOf<Shape extends z.ZodRawShape>(
  schema: z.ZodObject<Shape>,
): z.ZodType<DeepPartial<z.output<z.ZodObject<Shape>>>> {
  return patchSchema(schema) as unknown as z.ZodType<DeepPartial<z.output<z.ZodObject<Shape>>>>;
}

function patchSchema(schema: z.ZodType): z.ZodType {
  if (schema instanceof z.ZodDefault) return patchSchema(schema.unwrap() as z.ZodType);
  if (!(schema instanceof z.ZodObject)) return schema;
  const shape = schema.shape as Record<string, z.ZodType>;
  const parts = Object.entries(shape).map(([name, part]) => [name, patchSchema(part).optional()] as const);
  return z.strictObject(Object.fromEntries(parts));
}
