import { z } from 'zod';

/** A position: a number, or one of the two that are never mixed up. */
export const position = z.union([z.int(), z.literal('absent'), z.literal('unknown')]);
export type Position = z.infer<typeof position>;
