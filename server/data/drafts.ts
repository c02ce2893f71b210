import type { Draft, DraftSummary, draftAddition, draftChange } from '@opsimath/contract/api/drafts';
import { and, desc, eq } from 'drizzle-orm';
import type { z } from 'zod';
import { KnownProblem } from '../problems/problem';
import { changedMeanwhile } from './editions';
import { draft, draftVersion } from './schema';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

export type DraftRow = typeof draft.$inferSelect;

/** Drafts of a market, what was touched last first. */
export async function listDrafts(
  database: Database,
  projectId: number,
  market: string,
): Promise<DraftSummary[]> {
  const found = await database.client.execute({
    sql: `SELECT draft.id, draft.kind, market.code AS market, draft.name, address, task_id AS task,
                 json_array_length(keywords) AS keywords, coalesce(keyword.text, '') AS lead, updated_at AS updatedAt,
                 (SELECT state FROM published_change WHERE draft_id = draft.id ORDER BY id DESC LIMIT 1) AS published
          FROM draft JOIN market ON market.id = draft.market_id
               LEFT JOIN keyword ON keyword.id = json_extract(keywords, '$[0]')
          WHERE draft.project_id = ? AND market.code = ? ORDER BY updated_at DESC, draft.id DESC`,
    args: [projectId, market],
  });
  return rawRows<Omit<DraftSummary, 'state'> & { published: string | null }>(found).map(
    ({ published, ...row }) => ({ ...row, state: stateOf(published) }),
  );
}

const STATES: Record<string, Draft['state']> = {
  asked: 'asked to publish',
  published: 'published',
  'by hand': 'done by hand',
};
const stateOf = (published: string | null): Draft['state'] => STATES[published ?? ''] ?? 'written';

export async function draftById(
  database: Database,
  projectId: number,
  id: number,
): Promise<DraftRow & { state: Draft['state'] }> {
  const [found] = await database.rows
    .select()
    .from(draft)
    .where(and(eq(draft.projectId, projectId), eq(draft.id, id)));
  if (!found) throw new KnownProblem('no-such-draft', 'This draft is gone.', 'Open the drafts again.');
  const last = await database.client.execute({
    sql: 'SELECT state FROM published_change WHERE draft_id = ? ORDER BY id DESC LIMIT 1',
    args: [id],
  });
  return { ...found, state: stateOf(last.rows.length === 0 ? null : String(last.rows[0]!.state)) };
}

export async function addDraft(
  database: Database,
  projectId: number,
  marketId: number,
  { kind, name, address, task, keywords }: z.output<typeof draftAddition>,
  fields: Record<string, string>,
): Promise<number> {
  const [added] = await database.rows
    .insert(draft)
    .values({
      projectId,
      marketId,
      kind,
      name,
      address,
      taskId: task,
      keywords,
      fields,
      limits: {},
      checks: [],
    })
    .returning({ id: draft.id });
  return added!.id;
}

/** Changes a draft that stands as it was seen; one that somebody else has changed since is left as it is. */
export function changeDraft(
  database: Database,
  projectId: number,
  id: number,
  { revision, person: _, ...change }: z.output<typeof draftChange>,
): Promise<number> {
  return database.together(async (steps) => {
    const row = await draftById(steps, projectId, id);
    if (row.revision !== revision) throw changedMeanwhile('this draft', Object.keys(change));
    await steps.rows
      .update(draft)
      .set({ ...change, revision: revision + 1, updatedAt: new Date().toISOString() })
      .where(eq(draft.id, id));
    return revision + 1;
  });
}

export async function removeDraft(database: Database, projectId: number, id: number): Promise<void> {
  await draftById(database, projectId, id);
  await database.rows.delete(draft).where(eq(draft.id, id));
}

/** Keeps the copy as it stands, under a name. */
export async function keepVersion(
  database: Database,
  projectId: number,
  id: number,
  { name, person }: { name: string; person: string },
): Promise<number> {
  const { fields } = await draftById(database, projectId, id);
  const [added] = await database.rows
    .insert(draftVersion)
    .values({ draftId: id, name, person, fields })
    .returning({ id: draftVersion.id });
  return added!.id;
}

export async function draftVersions(database: Database, id: number): Promise<Draft['versions']> {
  const rows = await database.rows
    .select()
    .from(draftVersion)
    .where(eq(draftVersion.draftId, id))
    .orderBy(desc(draftVersion.id));
  return rows.map(({ id: version, name, person, createdAt, fields }) => ({
    id: version,
    name,
    person,
    at: createdAt,
    fields,
  }));
}
