import type { RoundPlan, WorkScope, roundPlanQuery, taskPick } from '@opsimath/contract/api/rounds';
import type { WorkLine } from '@opsimath/contract/api/whatToDo';
import { spreadOfSum } from '@opsimath/core/gap/spreadOfWorth';
import { asOneIdea } from '@opsimath/core/plan/asOneIdea';
import { type Work, type WorkCandidate, workList } from '@opsimath/core/plan/workList';
import { gainsOnce } from '@opsimath/core/rounds/gainsOnce';
import { DAY_SLACK, type FilledRound, type RoundProblem, mostOf } from '@opsimath/core/rounds/roundProblem';
import { type Action, NEW_TARGET } from '@opsimath/core/gap/action';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import type { z } from 'zod';
import { type RoundRow, roundById } from '../../data/rounds';
import { type NewTask, type TaskRow } from '../../data/tasks';
import { KnownProblem } from '../../problems/problem';
import { type Comparison, entryOf } from '../comparison/comparison';
import { WORK_SEED, linesOf, partsOfWork } from '../comparison/workLines';
import type { Workspace } from '../kept/workspace';
import { inSolveWorker } from '../planning/inSolveWorker';
import { type OpenQueue, openQueue } from '../planning/openQueue';

/** Of more candidates those that bring most for a day, and those that bring most, are planned with. */
const MOST_BY_DAY = 4000;
const MOST_BY_VALUE = 1000;

/** What a round would take from the queue, and what one more day would buy (method §11). */
export async function roundPlan(
  workspace: Workspace,
  projectId: number,
  roundId: number,
  query: z.output<typeof roundPlanQuery>,
): Promise<RoundPlan> {
  const queue = await openQueue(workspace, projectId, query);
  const problem = await problemOf(workspace, projectId, queue, roundId, query);
  const filled = await solvedRound(problem);
  const longer = await solvedLonger(problem);
  const works = worksOf(problem, filled);
  const { comparison } = queue;
  const lines = await linesOf(
    workspace,
    comparison,
    works.map(({ work }) => work),
  );
  const leads = new Set(works.map(({ work }) => work.lead));
  const more = worksOf(problem, longer).filter(({ work }) => !leads.has(work.lead));
  const moreLines = await linesOf(
    workspace,
    comparison,
    more.map(({ work }) => work),
  );
  return {
    lines: lines.map((line, n) => ({ ...line, person: problem.names[works[n]!.person]! })),
    value: filled.value,
    ...spreadOfSum(
      works.flatMap(({ work }) => partsOfWork(comparison, work)),
      WORK_SEED,
    ),
    days: works.reduce((sum, { work }) => sum + work.effort, 0),
    short: filled.bound - filled.value,
    oneMoreDay: { value: longer.value - filled.value, leads: moreLines.map(({ lead }) => lead) },
    roundsAfter: roundsFor(queue.left, filled, problem),
  };
}

/** What a round takes from the queue, as tasks that are about to be picked. */
export async function plannedTasks(
  workspace: Workspace,
  projectId: number,
  roundId: number,
  scope: WorkScope,
): Promise<NewTask[]> {
  const queue = await openQueue(workspace, projectId, scope);
  const problem = await problemOf(workspace, projectId, queue, roundId, {});
  const filled = await solvedRound(problem);
  const works = worksOf(problem, filled);
  const tasks = await tasksOf(
    workspace,
    queue.comparison,
    works.map(({ work }) => work),
  );
  return tasks.map((task, n) => ({ ...task, person: problem.names[works[n]!.person]! }));
}

/** Work picked by hand, as tasks; each as if it stood alone beside what was taken on. */
export async function pickedTasks(
  workspace: Workspace,
  projectId: number,
  { picks, together, ...scope }: Omit<z.output<typeof taskPick>, 'round'>,
): Promise<NewTask[]> {
  const { comparison, left } = await openQueue(workspace, projectId, scope);
  if (together) {
    const action = NEW_TARGET[comparison.market.surface];
    const works = picks.flatMap(({ keyword }) => bestFor(left, entryOf(comparison, keyword), action) ?? []);
    if (works.length === 0)
      throw new KnownProblem(
        'nothing-to-pick',
        `For none of these keywords would a ${action} bring something.`,
        'Pick them one by one: for some a change of what is there may be better.',
      );
    return tasksOf(workspace, comparison, [asOneIdea(works)]);
  }
  const works = picks.map(({ keyword, action }) => {
    const entry = entryOf(comparison, keyword);
    const found = bestFor(left, entry, action);
    if (!found)
      throw new KnownProblem(
        'nothing-to-pick',
        'For one of these keywords nothing is left to do that would bring something.',
        'It may be in a round already; its dossier says what could be done.',
      );
    return found;
  });
  return tasksOf(workspace, comparison, works);
}

/** The figures of another action for a task, as if it stood alone. */
export async function measureFor(
  workspace: Workspace,
  projectId: number,
  keyword: number,
  action: Action,
  scope: WorkScope,
): Promise<NewTask> {
  const { comparison, all } = await openQueue(workspace, projectId, scope);
  const found = bestFor(all, entryOf(comparison, keyword), action);
  if (!found)
    throw new KnownProblem(
      'nothing-to-pick',
      `“${action}” would bring nothing for this keyword.`,
      'Its dossier says what could be done.',
    );
  const [task] = await tasksOf(workspace, comparison, [found]);
  return task!;
}

/** The piece of work that a keyword leads; of several the best for a day. Else the best that serves it. */
function bestFor(
  candidates: readonly WorkCandidate[],
  entry: number,
  action: Action | undefined,
): Work | undefined {
  const wanted = (one: WorkCandidate): boolean => action === undefined || one.action === action;
  const leads = candidates.filter((one) => one.lead === entry && wanted(one));
  const serving = candidates.filter(
    (one) => wanted(one) && one.serves.some((served) => served.entry === entry && served.clicks > 0),
  );
  return workList(leads)[0] ?? workList(serving)[0];
}

interface NamedProblem extends RoundProblem {
  /** Of the people, in their order. */
  names: string[];
  /** What a round of this size holds when it is empty. */
  size: { days: number; count: number };
}

async function problemOf(
  { database }: Workspace,
  projectId: number,
  { comparison, left, tasks }: OpenQueue,
  roundId: number,
  { days, most }: { days?: number; most?: number },
): Promise<NamedProblem> {
  const round = await roundById(database, projectId, roundId);
  const held = tasks.filter((task) => task.roundId === roundId && task.state === 'in');
  const people = peopleLeft(round, held, days);
  const count = most ?? round.most;
  return {
    candidates: worthPlanning(left.filter(({ lead }) => mayFill(comparison, lead))),
    people: people.map((person) => person.days),
    names: people.map((person) => person.name),
    count: Math.max(0, count - held.length),
    size: { days: days ?? round.people.reduce((sum, person) => sum + person.days, 0), count },
  };
}

/** What nobody judged and holds a word not to be used, a doubtful one or a rival’s name, is put into a round by hand only. */
function mayFill({ wary, verdicts, columns }: Comparison, lead: number): boolean {
  return columns.fit[lead]! > 0 && (wary[lead] === 0 || VERDICTS[verdicts[lead]!] !== 'unjudged');
}

/** Days that each person has left; what nobody was given counts against all of them, who has most first. */
function peopleLeft(
  { people }: RoundRow,
  held: readonly TaskRow[],
  days: number | undefined,
): { name: string; days: number }[] {
  const all = people.reduce((sum, person) => sum + person.days, 0);
  const share = days === undefined || all === 0 ? 1 : days / all;
  const left = people.map(({ name, days: own }) => ({
    name,
    days: own * share - held.reduce((used, task) => used + (task.person === name ? task.effort : 0), 0),
  }));
  let unheld = held
    .filter(({ person }) => !people.some(({ name }) => name === person))
    .reduce((sum, { effort }) => sum + effort, 0);
  for (const person of [...left].sort((a, b) => b.days - a.days)) {
    const taken = Math.min(unheld, Math.max(0, person.days));
    person.days -= taken;
    unheld -= taken;
  }
  return left.map((person) => ({ ...person, days: Math.max(0, person.days) }));
}

function worthPlanning(left: readonly WorkCandidate[]): WorkCandidate[] {
  if (left.length <= MOST_BY_DAY + MOST_BY_VALUE) return [...left];
  const byDay = [...left].sort((a, b) => mostOf(b) / b.effort - mostOf(a) / a.effort);
  const byValue = [...left].sort((a, b) => mostOf(b) - mostOf(a));
  return [...new Set([...byDay.slice(0, MOST_BY_DAY), ...byValue.slice(0, MOST_BY_VALUE)])];
}

/** The best round there is; its candidates, not the names beside them, go to the thread. */
const solvedRound = ({ candidates, people, count }: RoundProblem): Promise<FilledRound> =>
  inSolveWorker('round', { candidates, people, count });

/** The same with one day more for whoever stands first. */
const solvedLonger = (problem: RoundProblem): Promise<FilledRound> =>
  solvedRound({ ...problem, people: problem.people.map((days, person) => (person === 0 ? days + 1 : days)) });

/** What was chosen as pieces of work, each gain counted once, the most for a day of work first. */
function worksOf({ candidates }: RoundProblem, { chosen }: FilledRound): { work: Work; person: number }[] {
  const works = chosen.map(({ candidate }) => candidates[candidate]!);
  return gainsOnce(works)
    .map(({ serves, value }, n) => {
      const work = works[n]!;
      return { work: { ...work, serves, value, priority: value / work.effort }, person: chosen[n]!.person };
    })
    .sort((a, b) => b.work.priority - a.work.priority || a.work.lead - b.work.lead);
}

async function tasksOf(
  workspace: Workspace,
  comparison: Comparison,
  works: readonly Work[],
): Promise<NewTask[]> {
  const { keywords, market, date } = comparison;
  const lines = await linesOf(workspace, comparison, works);
  return works.map(({ serves }, n) => ({
    marketId: market.id,
    ...pickedFrom(lines[n]!),
    serves: serves.map(({ entry, clicks, value }) => ({ keyword: keywords[entry]!, clicks, value })),
    foretold: date,
    person: '',
  }));
}

const pickedFrom = ({ action, lead, target, title, clicks, value, low, high, effort, reason }: WorkLine) => ({
  action,
  keywordId: lead.id,
  address: target?.address ?? '',
  title: title ?? target?.title ?? lead.text,
  clicks,
  value,
  low,
  high,
  effort,
  reason,
});

/** How many more rounds of this size the queue would fill, taken in its order. */
function roundsFor(left: readonly WorkCandidate[], { chosen }: FilledRound, problem: NamedProblem): number {
  const { days, count } = problem.size;
  if (days <= 0 || count <= 0) return 0;
  const taken = new Set(chosen.map(({ candidate }) => problem.candidates[candidate]!.lead));
  let [rounds, room, places] = [0, 0, 0];
  for (const { lead, effort } of workList(left)) {
    if (taken.has(lead) || effort > days) continue;
    if (places === 0 || room + DAY_SLACK < effort) [rounds, room, places] = [rounds + 1, days, count];
    room -= effort;
    places--;
  }
  return rounds;
}
