import type { PublishedChange } from '@opsimath/contract/api/drafts';
import type { ProjectSettings } from '@opsimath/contract/api/projects';
import type { WatchView } from '@opsimath/contract/api/watch';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { dueLook } from '@opsimath/core/watch/lookAgain';
import { isDue } from '@opsimath/core/watch/schedule';
import { type MarketRow, marketByCode } from '../../data/markets';
import { projectById } from '../../data/projects';
import { listChanges } from '../../data/publishedChanges';
import { findSegments } from '../../data/segments/segments';
import { listTasks } from '../../data/tasks';
import { trackedKeywords } from '../../data/tracked';
import { type WatchPlan, watchPlans } from '../../data/watchPlans';
import type { Workspace } from '../kept/workspace';

type Due = WatchView['due'][number];
const dueOf = (what: Due['what'], text: string, since: string, over: Partial<Due> = {}): Due => ({
  what,
  text,
  since,
  wait: null,
  change: null,
  task: null,
  keywords: [],
  ...over,
});

interface DueGround {
  market: Pick<MarketRow, 'surface'>;
  settings: Pick<ProjectSettings, 'lookAgain'>;
  date: string;
  /** Changes made by the date, and day numbers on which a keyword was captured. */
  changes: readonly PublishedChange[];
  looksOf: (keyword: number) => readonly number[];
  plan: WatchPlan | undefined;
  tracked: readonly number[];
}

/** What is to be looked at again in a market: captures that could not be taken, changes, and work that was put off. */
export async function dueIn(
  workspace: Workspace,
  projectId: number,
  { market, settings, date, changes, looksOf, plan, tracked }: DueGround,
): Promise<Due[]> {
  const waits = settings.lookAgain[market.surface];
  return [
    ...(plan && isDue(plan.weekdays, plan.lastDay, date) && plan.trouble !== ''
      ? [dueOf('capture', plan.trouble, date, { keywords: [...tracked] })]
      : []),
    ...changes.flatMap((change) => dueChange(change, waits, looksOf, date)),
    ...(await dueTasks(workspace, projectId, date)),
  ];
}

/** A change whose waits are over and that nobody has looked at since. */
function dueChange(
  { id, date: day, address, state, keywords }: PublishedChange,
  waits: readonly number[],
  looksOf: DueGround['looksOf'],
  date: string,
): Due[] {
  const lead = keywords[0];
  if (state === 'asked' || !lead) return [];
  const due = dueLook(dayOf(day), waits, looksOf(lead.id), dayOf(date));
  if (!due) return [];
  const over = { wait: due.wait, change: id, keywords: keywords.map((keyword) => keyword.id) };
  return [dueOf('look at a change again', `${lead.text}: ${address}`, isoDayOf(due.since), over)];
}

/** Work that was put off until a day that has come. */
async function dueTasks({ database }: Workspace, projectId: number, date: string): Promise<Due[]> {
  return (await listTasks(database, projectId)).flatMap(({ id, state, until, keyword, why, keywordId }) =>
    state === 'put off' && until !== null && until <= date
      ? [
          dueOf('put off until now', why === '' ? keyword : `${keyword}: ${why}`, until, {
            task: id,
            keywords: [keywordId],
          }),
        ]
      : [],
  );
}

/** How much is due, for the row of stages: without the courses that Watch draws. */
export async function watchDue(
  workspace: Workspace,
  projectId: number,
  { market: code, date }: { market: string; date: string },
): Promise<{ due: number }> {
  const { database, store } = workspace;
  const market = await marketByCode(database, code);
  const { settings } = await projectById(database, projectId);
  const changes = (await listChanges(database, projectId, market.id)).filter((one) => one.date <= date);
  const leads = new Set(changes.flatMap(({ keywords }) => keywords.slice(0, 1).map(({ id }) => id)));
  const looks = new Map<number, number[]>();
  const since = changes.reduce((least, one) => (one.date < least ? one.date : least), date);
  if (leads.size > 0)
    for (const segment of await findSegments(database, {
      marketId: market.id,
      kind: 'captures',
      until: date,
    })) {
      if (segment.date < since) continue;
      for (const id of await store.column<Int32Array>(segment.id, 'keyword'))
        if (leads.has(id)) looks.set(id, [...(looks.get(id) ?? []), dayOf(segment.date)]);
    }
  const [plan] = await watchPlans(database, { project: projectId, market: market.id });
  const due = await dueIn(workspace, projectId, {
    ...{ market, settings, date, changes, plan },
    looksOf: (keyword) => looks.get(keyword) ?? [],
    tracked: await trackedKeywords(database, projectId, market.id),
  });
  return { due: due.length };
}
