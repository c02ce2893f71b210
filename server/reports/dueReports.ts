import { dayOf } from '@opsimath/core/day';
import type { Analysis } from '../analysis/thread/analysis';
import { freeze } from '../data/frozenReports';
import { type ReportPlan, allReportPlans, newestCapturedDay, noteReported } from '../data/reportPlans';
import { reportById } from '../data/reports';
import type { Database } from '../data/storage/connection';

interface Ground {
  database: Database;
  analysis: Pick<Analysis, 'writeFrozen'>;
}

/** Days that lie at least between two reports of a rhythm. */
const APART: Record<ReportPlan['rhythm'], number> = {
  'every capture': 1,
  'once a week': 7,
  'once a month': 28,
};

/**
 * Makes the reports that are due: of the newest day with captures, against the day of the one before. The day is noted
 * together with the report: whoever is stopped in between has made it once or not at all.
 *
 * @returns ids of what was frozen
 */
export async function makeDueReports({ database, analysis }: Ground): Promise<number[]> {
  const made: number[] = [];
  for (const plan of await allReportPlans(database)) {
    const day = await newestCapturedDay(database, plan);
    if (day === null || !isDue(plan, day)) continue;
    const { document } = await reportById(database, plan.project, plan.report);
    const frozen = await analysis.writeFrozen(plan.project, document, {
      market: plan.code,
      date: day,
      ...(plan.lastDay === null ? {} : { compare: plan.lastDay }),
    });
    const id = await database.together(async (steps) =>
      (await noteReported(steps, plan, day))
        ? freeze(steps, plan.project, frozen, { report: plan.report, planned: true })
        : null,
    );
    if (id !== null) made.push(id);
  }
  return made;
}

export const isDue = ({ rhythm, lastDay }: Pick<ReportPlan, 'rhythm' | 'lastDay'>, day: string): boolean =>
  lastDay === null || dayOf(day) - dayOf(lastDay) >= APART[rhythm];
