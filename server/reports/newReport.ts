import type { ReportDocument, SavedReport } from '@opsimath/contract/api/reports';
import { reportDocument } from '@opsimath/contract/api/reports';
import { type PlannedSection, TEMPLATES } from '@opsimath/core/report/templates';

/** The document that a report begins with. @param round the one that a report on a round is about */
export function newReport(template: SavedReport['template'], title: string, round?: number): ReportDocument {
  const planned: readonly PlannedSection[] = TEMPLATES[template];
  return reportDocument.parse({
    title,
    sections: planned.map(({ kind, heading, settings = {} }, n) => ({
      id: `${kind}-${n + 1}`,
      kind,
      heading,
      settings: kind === 'round' && round !== undefined ? { ...settings, round } : settings,
    })),
  });
}
