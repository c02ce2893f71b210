import { randomUUID } from 'node:crypto';
import type { PublishedChange } from '@opsimath/contract/api/drafts';
import { and, eq } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import { publishedChange } from './schema';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

export type ChangeRow = typeof publishedChange.$inferSelect;
type NewChange = Omit<typeof publishedChange.$inferInsert, 'requestId' | 'state' | 'id'>;

/**
 * Notes that something is about to be published. Where the same was asked for before and nobody knows whether it arrived,
 * that one is given, with its request id: sent again, it is carried out once.
 */
export function askToPublish(database: Database, change: NewChange): Promise<ChangeRow> {
  return database.together(async (steps) => {
    const open = await steps.rows
      .select()
      .from(publishedChange)
      .where(
        and(
          eq(publishedChange.projectId, change.projectId),
          eq(publishedChange.address, change.address),
          eq(publishedChange.state, 'asked'),
        ),
      );
    const same = open.find(({ after }) => JSON.stringify(after) === JSON.stringify(change.after));
    if (same) return same;
    const [added] = await steps.rows
      .insert(publishedChange)
      .values({ ...change, state: 'asked', requestId: randomUUID() })
      .returning();
    return added!;
  });
}

/** Notes that something was done by hand. */
export async function doneByHand(database: Database, change: NewChange): Promise<number> {
  const [added] = await database.rows
    .insert(publishedChange)
    .values({ ...change, state: 'by hand', requestId: randomUUID() })
    .returning({ id: publishedChange.id });
  return added!.id;
}

/** Takes a noted change away again; what was sent to the services stays. */
export async function forgetNoted(database: Database, projectId: number, id: number): Promise<void> {
  const { state } = await changeById(database, projectId, id);
  if (state !== 'by hand')
    throw new KnownProblem(
      'no-such-change',
      'This change was published through the services: it stays on the timeline.',
      'Publish another draft to change it again.',
    );
  await database.rows.delete(publishedChange).where(eq(publishedChange.id, id));
}

export async function published(
  database: Database,
  id: number,
  { date, seenFrom }: { date: string; seenFrom: string },
): Promise<void> {
  await database.rows
    .update(publishedChange)
    .set({ state: 'published', date, seenFrom })
    .where(eq(publishedChange.id, id));
}

/** What the services refused was never published. */
export async function forgetAsked(database: Database, id: number): Promise<void> {
  await database.rows
    .delete(publishedChange)
    .where(and(eq(publishedChange.id, id), eq(publishedChange.state, 'asked')));
}

export async function noteSeen(
  database: Database,
  id: number,
  seen: { askedAgain?: string; seenFrom?: string | null },
): Promise<void> {
  await database.rows.update(publishedChange).set(seen).where(eq(publishedChange.id, id));
}

export async function changeById(database: Database, projectId: number, id: number): Promise<ChangeRow> {
  const [found] = await database.rows
    .select()
    .from(publishedChange)
    .where(and(eq(publishedChange.projectId, projectId), eq(publishedChange.id, id)));
  if (!found) throw new KnownProblem('no-such-change', 'This change is gone.', 'Open the drafts again.');
  return found;
}

/** What was published in a market, newest first, with the keywords that it aimed at. */
export async function listChanges(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<PublishedChange[]> {
  const found = await database.client.execute({
    sql: `SELECT published_change.id, market.code AS market, address, kind, date, before, after, draft_id AS draft, task_id AS task,
                 state, asked_again AS askedAgain, seen_from AS seenFrom, person, note,
                 (SELECT json_group_array(json_object('id', keyword.id, 'text', keyword.text))
                  FROM json_each(keywords) JOIN keyword ON keyword.id = json_each.value) AS keywords
          FROM published_change JOIN market ON market.id = published_change.market_id
          WHERE published_change.project_id = ? AND market.id = ? ORDER BY date DESC, published_change.id DESC`,
    args: [projectId, marketId],
  });
  type Raw = Omit<PublishedChange, 'before' | 'after' | 'keywords'> &
    Record<'before' | 'after' | 'keywords', string>;
  return rawRows<Raw>(found).map((row) => ({
    ...row,
    before: JSON.parse(row.before) as PublishedChange['before'],
    after: JSON.parse(row.after) as PublishedChange['after'],
    keywords: JSON.parse(row.keywords) as PublishedChange['keywords'],
  }));
}
