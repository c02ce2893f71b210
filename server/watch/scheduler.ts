import { isDue } from '@opsimath/core/watch/schedule';
import { createJob } from '../data/jobs';
import type { Database } from '../data/storage/connection';
import { trackedKeywords } from '../data/tracked';
import { type WatchPlan, noteWatched, watchPlans } from '../data/watchPlans';
import { makeDueReports } from '../reports/dueReports';
import type { SearchSource } from '../sources/searchSource';
import { withoutCapture } from '../work/steps/takeCaptures';

interface Ground {
  database: Database;
  source: Pick<SearchSource, 'today' | 'allowance'>;
  jobs: { start: (id: number) => void };
}
type ReportGround = Parameters<typeof makeDueReports>[0];

/**
 * Starts captures of tracked keywords on the days that are planned, by the clock of the services. The day is noted together with
 * the work it started: a server that is killed in between has started it once or not at all, and looks again when it is back.
 *
 * @returns ids of the jobs that were started
 */
export async function runDuePlans({ database, source, jobs }: Ground): Promise<number[]> {
  const plans = await watchPlans(database);
  if (plans.length === 0) return [];
  const today = await source.today();
  const started: number[] = [];
  for (const plan of plans) {
    if (!isDue(plan.weekdays, plan.lastDay, today)) continue;
    const id = await startPlan({ database, source }, plan, today);
    if (id === null) continue;
    started.push(id);
    jobs.start(id);
  }
  return started;
}

async function startPlan(
  { database, source }: Pick<Ground, 'database' | 'source'>,
  plan: WatchPlan,
  today: string,
): Promise<number | null> {
  const keywords = await trackedKeywords(database, plan.project, plan.market);
  const wanted = await withoutCapture({ database }, plan.market, today, keywords);
  if (wanted.length === 0) {
    await noteWatched(database, plan, { day: today, trouble: '' });
    return null;
  }
  const { allowance, spent, renews } = await source.allowance();
  const left = allowance - spent;
  if (wanted.length > left) {
    const trouble = `${wanted.length} units are needed and ${left} are left; the allowance renews on ${renews}.`;
    if (plan.trouble !== trouble) await noteWatched(database, plan, { day: null, trouble });
    return null;
  }
  return database.together(async (steps) => {
    // Somebody else who looked at the same moment was first.
    if (!(await noteWatched(steps, plan, { day: today, trouble: '' }))) return null;
    return createJob(steps, plan.project, 'captures', {
      market: plan.code,
      dates: [today],
      keywords: wanted,
    });
  });
}

/** Looks for due plans at once and then every so often, one look at a time; what fails is told and tried again. */
export class Scheduler {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private closed = false;

  constructor(
    private readonly ground: Ground & ReportGround,
    private readonly everyMs: number,
    private readonly onTrouble: (error: unknown) => void,
  ) {}

  async look(): Promise<void> {
    clearTimeout(this.timer);
    try {
      await runDuePlans(this.ground);
      await makeDueReports(this.ground);
    } catch (error) {
      this.onTrouble(error);
    }
    if (this.closed) return;
    this.timer = setTimeout(() => void this.look(), this.everyMs);
    this.timer.unref();
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
  }
}
