import type { InStatement } from '@libsql/client';
import type { VisitMonth } from '@opsimath/contract/api/watch';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** Says how many visits came from a source in a month, whatever was said before. */
export function visitStatement(
  projectId: number,
  { month, source, visits }: { month: string; source: string; visits: number },
): InStatement {
  return {
    sql: `INSERT INTO visit_month (project_id, month, source, visits) VALUES (?, ?, ?, ?)
          ON CONFLICT (project_id, month, source) DO UPDATE SET visits = excluded.visits`,
    args: [projectId, month, source, visits],
  };
}

const OF_SEARCH = /search|organic|suche|busqueda|búsqueda/i;
const PAID = /paid|ads?\b|cpc|bezahlt|pago|anzeige/i;

/** Visits of a project by month, the oldest first: all of them, and those from search without ads. */
export async function visitMonths(database: Database, projectId: number): Promise<VisitMonth[]> {
  const found = await database.client.execute({
    sql: 'SELECT month, source, visits FROM visit_month WHERE project_id = ? ORDER BY month, visits DESC, source',
    args: [projectId],
  });
  const months = new Map<string, VisitMonth>();
  for (const { month, source, visits } of rawRows<{ month: string; source: string; visits: number }>(found)) {
    const held = months.get(month) ?? { month, all: 0, search: 0, sources: [] };
    const isSearch = OF_SEARCH.test(source) && !PAID.test(source);
    held.all += visits;
    held.search += isSearch ? visits : 0;
    held.sources.push({ source, visits, isSearch });
    months.set(month, held);
  }
  return [...months.values()];
}
