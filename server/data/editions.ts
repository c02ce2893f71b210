import { and, eq, lt } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { edition } from './schema';

/** A thing of which every state is kept under its revision, so that a change that rests on an older one can be merged. */
export interface Edited {
  projectId: number;
  kind: (typeof edition.$inferSelect)['kind'];
  thingId: number;
}

/** Older ones are forgotten: nobody has had a view open that long. */
const MOST_KEPT = 500;

export async function keepEdition<State extends object>(
  database: Database,
  thing: Edited,
  revision: number,
  state: State,
  person = '',
): Promise<void> {
  const values = { ...thing, revision, state: state as Record<string, unknown>, person };
  await database.rows
    .insert(edition)
    .values(values)
    .onConflictDoUpdate({
      target: [edition.projectId, edition.kind, edition.thingId, edition.revision],
      set: { state: values.state, person },
    });
  if (revision % 50 === 0)
    await database.rows.delete(edition).where(and(isOf(thing), lt(edition.revision, revision - MOST_KEPT)));
}

/** What a thing was at a revision; `null` where that is not kept. */
export async function editionAt<State extends object>(
  database: Database,
  thing: Edited,
  revision: number,
): Promise<State | null> {
  const [found] = await database.rows
    .select({ state: edition.state })
    .from(edition)
    .where(and(isOf(thing), eq(edition.revision, revision)));
  return (found?.state as State | undefined) ?? null;
}

/** Who has changed a thing last, if anybody signed. */
export async function lastEditor(database: Database, thing: Edited, revision: number): Promise<string> {
  const [found] = await database.rows
    .select({ person: edition.person })
    .from(edition)
    .where(and(isOf(thing), eq(edition.revision, revision)));
  return found?.person ?? '';
}

function isOf({ projectId, kind, thingId }: Edited) {
  return and(eq(edition.projectId, projectId), eq(edition.kind, kind), eq(edition.thingId, thingId));
}

/** A change that clashes with what somebody else has done meanwhile: refused, with what that was. */
export function changedMeanwhile(what: string, changed: string[], person = ''): KnownProblem {
  return new KnownProblem(
    'changed-meanwhile',
    `${person || 'Somebody else'} has changed ${what} meanwhile: ${changed.join(', ')}. Yours was not kept.`,
    'Look at it as it stands now, then change it again.',
    { changed },
  );
}
