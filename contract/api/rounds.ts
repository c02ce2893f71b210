import { z } from 'zod';
import { isoDay } from '../source/answers';
import { action } from './gapQuery';
import { workLine } from './whatToDo';

/** Which comparison says what could be done. */
export const workScope = z.object({ market: z.string(), date: isoDay, compare: isoDay.optional() });
export type WorkScope = z.infer<typeof workScope>;

const person = z.string().trim().max(80);
export const roundPerson = z.object({
  name: person,
  /** Days of work that this person has. */
  days: z.number().min(0).max(400),
});
const roundShape = z.object({
  name: z.string().trim().min(1).max(120),
  starts: isoDay,
  ends: isoDay,
  /** Most pieces of work. */
  most: z.int().min(1).max(200),
  people: z
    .array(roundPerson)
    .min(1)
    .max(20)
    .refine(
      (people) => new Set(people.map(({ name }) => name)).size === people.length,
      'a person stands twice',
    ),
});
const inOrder = ({ starts, ends }: { starts?: string; ends?: string }): boolean =>
  starts === undefined || ends === undefined || starts <= ends;
export const roundAddition = roundShape.refine(inOrder, 'it ends before it begins');
export const roundChange = roundShape.partial().refine(inOrder, 'it ends before it begins');
export type RoundAddition = z.input<typeof roundAddition>;

export const TASK_USES = ['organic', 'paid', 'both'] as const;
/** Where a task is kept: in a round, put off until a day, dropped for good, or out: back in the queue. */
export const TASK_STATES = ['in', 'put off', 'dropped', 'out'] as const;
/** How far it is, by the facts. */
export const TASK_STEPS = ['picked', 'drafted', 'published', 'measured'] as const;

export const task = z.object({
  id: z.int(),
  round: z.int().nullable(),
  /** Order within its round. */
  place: z.number(),
  market: z.string(),
  action,
  lead: z.object({ id: z.int(), text: z.string() }),
  /** The target that it is done to; empty for one that is only planned, and for bids. */
  address: z.string(),
  /** Working title. */
  title: z.string(),
  /** Keywords that it is to serve, those that matter most first; of them how many win and lose a click a month or more. */
  keywords: z.array(z.object({ id: z.int(), text: z.string(), clicks: z.number(), value: z.number() })),
  won: z.int(),
  lost: z.int(),
  /** As foretold when it was picked: clicks and value a month, the middle 80 % of that. */
  clicks: z.number(),
  value: z.number(),
  low: z.number(),
  high: z.number(),
  effort: z.number(),
  reason: z.string(),
  foretold: isoDay,
  person: z.string(),
  due: isoDay.nullable(),
  /** Day by which work has to begin to be there before the season’s peak; `null` without a season. */
  startBy: isoDay.nullable(),
  /** A year that stands in the keyword. */
  year: z.int().nullable(),
  use: z.enum(TASK_USES),
  state: z.enum(TASK_STATES),
  step: z.enum(TASK_STEPS),
  /** The draft that was begun for it. */
  draft: z.int().nullable(),
  /** The same keyword is put to paid and to organic work: the other task. */
  twin: z.int().nullable(),
  until: isoDay.nullable(),
  why: z.string(),
  revision: z.int(),
});
export type Task = z.infer<typeof task>;

export const round = z.object({
  id: z.int(),
  name: z.string(),
  starts: isoDay,
  ends: isoDay,
  most: z.int(),
  people: z.array(roundPerson.extend({ used: z.number() })),
  /** What its tasks bring a month together, as foretold, and the middle 80 % of that. */
  value: z.number(),
  low: z.number(),
  high: z.number(),
  /** Days of all its tasks, those of nobody among them. */
  days: z.number(),
  /** Keywords that win by them. */
  keywords: z.int(),
  tasks: z.array(task),
});
export type Round = z.infer<typeof round>;

export const roundsQuery = workScope.extend({ limit: z.coerce.number().int().min(1).max(500).default(60) });
export const roundsView = z.object({
  currency: z.string(),
  front: z.int(),
  rounds: z.array(round),
  /** Put off or dropped. */
  aside: z.array(task),
  /** Dated keywords that were worked on, as they will be typed next, with the day by which work for them has to begin. */
  again: z.array(
    z.object({
      task: z.int(),
      text: z.string(),
      /** The keyword where it is known already. */
      id: z.int().nullable(),
      from: isoDay,
    }),
  ),
  /** What is left to do, the most for a day of work first. */
  queue: z.object({ total: z.int(), days: z.number(), value: z.number(), lines: z.array(workLine) }),
});
export type RoundsView = z.infer<typeof roundsView>;

/** What a round would take from the queue, were it filled now. */
export const roundPlanQuery = workScope.extend({
  /** Other limits than the round’s own, to compare plans. */
  days: z.coerce.number().min(0).max(4000).optional(),
  most: z.coerce.number().int().min(1).max(200).optional(),
});
export const roundPlan = z.object({
  lines: z.array(workLine.extend({ person: z.string() })),
  value: z.number(),
  low: z.number(),
  high: z.number(),
  days: z.number(),
  /** How much more a month any plan could bring; 0 when this is the best there is. */
  short: z.number(),
  /** What one more day would bring a month, and what would be done in it. */
  oneMoreDay: z.object({ value: z.number(), leads: z.array(z.object({ id: z.int(), text: z.string() })) }),
  /** Rounds of this size that the queue would fill after it. */
  roundsAfter: z.int(),
});
export type RoundPlan = z.infer<typeof roundPlan>;

export const roundFill = workScope.extend({
  /** This one and those after it, which are added where they are missing. */
  rounds: z.int().min(1).max(12).default(1),
});
export const roundFilled = z.object({ tasks: z.array(z.int()), rounds: z.array(z.int()) });
export type RoundFilled = z.infer<typeof roundFilled>;

/** Work picked by hand: what is best for a keyword, or a certain action. */
export const taskPick = workScope.extend({
  round: z.int(),
  picks: z
    .array(z.object({ keyword: z.int(), action: action.optional() }))
    .min(1)
    .max(200),
  /** One new target for all of them: one piece of work. */
  together: z.boolean().default(false),
});
export const taskChange = z.object({
  id: z.int(),
  round: z.int().nullable().optional(),
  /** Order within the round. */
  place: z.number().optional(),
  person: person.optional(),
  due: isoDay.nullable().optional(),
  use: z.enum(TASK_USES).optional(),
  title: z.string().trim().max(500).optional(),
  address: z.string().trim().max(2000).optional(),
  effort: z.number().positive().max(400).optional(),
  state: z.enum(TASK_STATES).optional(),
  until: isoDay.nullable().optional(),
  why: z.string().trim().max(500).optional(),
});
export type TaskChange = z.input<typeof taskChange>;
export const taskChanges = z.object({ changes: z.array(taskChange).min(1).max(500) });
/** Another measure for a task: its figures are those of that action. */
export const taskAction = workScope.extend({ action });

/** Which target of ours answers each keyword, and where that is not settled. */
export const answeringQuery = workScope.extend({
  limit: z.coerce.number().int().min(1).max(500).default(200),
});
const answered = z.object({
  keyword: z.object({ id: z.int(), text: z.string() }),
  demand: z.number().nullable(),
  /** Empty: a new one is to be made. */
  address: z.string(),
  title: z.string(),
  why: z.enum(['said by hand', 'stands best', 'holds most words', 'nothing of ours answers']),
  /** What of its text holds the keyword’s words. */
  excerpt: z.string(),
  person: z.string(),
});
export const answeringView = z.object({
  keywords: z.array(answered),
  /** How many of all keywords with demand have none. */
  without: z.int(),
  /** Own targets that answer nothing. */
  idle: z.array(z.object({ address: z.string(), title: z.string() })),
  /** Keywords for which several targets of ours stand. */
  /** Targets that are only planned: work or drafts without an address yet. */
  planned: z.array(
    z.object({
      task: z.int().nullable(),
      draft: z.int().nullable(),
      name: z.string(),
      lead: z.object({ id: z.int(), text: z.string() }).nullable(),
    }),
  ),
  clashes: z.array(
    z.object({
      keyword: z.object({ id: z.int(), text: z.string() }),
      /** How many of ours stand for it, and the one that stands best. */
      count: z.int(),
      best: z.object({ address: z.string(), position: z.int() }),
    }),
  ),
});
export type AnsweringView = z.infer<typeof answeringView>;
export const answeringChoice = z.object({
  address: z.string().trim().max(2000).nullable(),
  person: person.default(''),
});
