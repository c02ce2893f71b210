import { z } from 'zod';

/** What can be changed in a project, as others need to know it. */
export const CHANGED_THINGS = [
  'projects',
  'verdicts',
  'lists',
  'recipes',
  'markers',
  'notes',
  'targets',
  'look-ups',
  'imports',
  'tracked',
  'banned-words',
  'variants',
  'rounds',
  'tasks',
  'drafts',
  'reports',
  /** Long work has come to an end: any fact may be new. */
  'facts',
  /** Anything that is not told apart here. */
  'else',
] as const;
export const changedThing = z.enum(CHANGED_THINGS);
export type ChangedThing = z.infer<typeof changedThing>;

/** Something was changed in a project, or in none that is known; by which window, where one said so. */
export const change = z.object({ project: z.int().nullable(), what: changedThing, window: z.string() });
export type Change = z.infer<typeof change>;
