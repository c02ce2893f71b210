import { z } from 'zod';

/**
 * Everything that can go wrong and is told to somebody: its HTTP status, and whether the message may be shown as it is.
 * One that may not stands in the log under a number that the answer names.
 */
export const PROBLEMS = {
  // Asked for in a way that makes no sense.
  'not-understood': { status: 400, shown: true },
  'wrong-type': { status: 415, shown: true },
  'wrong-encoding': { status: 400, shown: true },
  'another-market': { status: 400, shown: true },
  'came-from-a-file': { status: 400, shown: true },
  dates: { status: 400, shown: true },
  'day-to-come': { status: 400, shown: true },
  'list-of-another-market': { status: 400, shown: true },
  'lists-of-other-markets': { status: 400, shown: true },
  'no-address': { status: 400, shown: true },
  'no-translation': { status: 400, shown: true },
  'no-word': { status: 400, shown: true },
  'no-way': { status: 400, shown: true },
  'no-round': { status: 400, shown: true },
  'nothing-to-pick': { status: 400, shown: true },
  'round-ends-first': { status: 400, shown: true },
  'twice-the-same': { status: 400, shown: true },
  'not-renewable': { status: 400, shown: true },
  'nothing-to-look-up': { status: 400, shown: true },
  'place-within-place': { status: 400, shown: true },
  'pool-of-another-market': { status: 400, shown: true },
  'too-many-for-clusters': { status: 400, shown: true },
  'too-many-for-tree': { status: 400, shown: true },
  'too-many-for-variants': { status: 400, shown: true },
  'too-many-lines': { status: 400, shown: true },
  'too-many-rows': { status: 400, shown: true },
  'too-many-to-judge': { status: 400, shown: true },
  // Files that are not what they should be.
  'broken-upload': { status: 400, shown: true },
  'damaged-archive': { status: 400, shown: true },
  'other-version': { status: 400, shown: true },
  'empty-file': { status: 400, shown: true },
  'no-keyword-column': { status: 400, shown: true },
  'not-a-page': { status: 400, shown: true },
  'not-a-sitemap': { status: 400, shown: true },
  'sitemap-index': { status: 400, shown: true },
  'not-a-table': { status: 400, shown: true },
  'not-text': { status: 400, shown: true },
  reading: { status: 400, shown: true },
  'takes-too-long': { status: 400, shown: true },
  'too-large': { status: 413, shown: true },
  // Not there.
  'no-such-address': { status: 404, shown: true },
  'no-picture': { status: 404, shown: true },
  'no-such-import': { status: 404, shown: true },
  'no-such-job': { status: 404, shown: true },
  'no-such-keyword': { status: 404, shown: true },
  'no-such-report': { status: 404, shown: true },
  'no-such-file': { status: 404, shown: true },
  'share-closed': { status: 410, shown: true },
  'no-such-round': { status: 404, shown: true },
  'no-such-task': { status: 404, shown: true },
  'no-such-feed': { status: 404, shown: true },
  'no-such-draft': { status: 404, shown: true },
  'no-such-change': { status: 404, shown: true },
  'no-such-list': { status: 404, shown: true },
  'no-such-look-up': { status: 404, shown: true },
  'no-such-marker': { status: 404, shown: true },
  'no-such-market': { status: 404, shown: true },
  'no-such-note': { status: 404, shown: true },
  'no-such-place': { status: 404, shown: true },
  'no-such-project': { status: 404, shown: true },
  'no-such-recipe': { status: 404, shown: true },
  'no-such-target': { status: 404, shown: true },
  'not-in-scope': { status: 404, shown: true },
  'nothing-to-enter-on': { status: 404, shown: true },
  'nothing-to-note-on': { status: 404, shown: true },
  // Not now.
  'changed-meanwhile': { status: 409, shown: true },
  locked: { status: 409, shown: true },
  'nobody-yet': { status: 409, shown: true },
  'not-stopped': { status: 409, shown: true },
  'taken-in': { status: 409, shown: true },
  // Not for this caller.
  'strange-host': { status: 403, shown: true },
  'strange-origin': { status: 403, shown: true },
  // The services.
  'allowance-spent': { status: 402, shown: true },
  'services-refused': { status: 400, shown: true },
  'services-know-nothing': { status: 404, shown: true },
  'services-unreachable': { status: 502, shown: true },
  'none-looked-up': { status: 502, shown: true },
  'pages-missing': { status: 502, shown: true },
  'parts-missing': { status: 502, shown: true },
  // The disk and the project file.
  'disk-full': { status: 507, shown: true },
  'disk-failing': { status: 503, shown: true },
  'file-busy': { status: 503, shown: true },
  'read-only': { status: 503, shown: true },
  'damaged-file': { status: 500, shown: true },
  'in-use': { status: 503, shown: true },
  // Ourselves.
  'analysis-stopped': { status: 503, shown: true },
  closing: { status: 503, shown: true },
  broken: { status: 500, shown: false },
} as const;
export type ProblemCode = keyof typeof PROBLEMS;

/** What went wrong: a code to act on, what happened, and what to do about it. */
export const problem = z.object({
  code: z.string(),
  message: z.string(),
  todo: z.string().optional(),
  /** What others have changed meanwhile, where a write was refused for that. */
  changed: z.array(z.string()).optional(),
});
export type Problem = z.infer<typeof problem>;
