import { patched } from '@opsimath/contract/api/patch';
import { type Project, type SettingsChange, projectSettings } from '@opsimath/contract/api/projects';
import { eq, sql } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import type { Database } from './connection';
import { project } from './schema';

function read(row: typeof project.$inferSelect): Project {
  return { ...row, settings: projectSettings.parse(row.settings) };
}

export async function listProjects(database: Database): Promise<Project[]> {
  return (await database.rows.select().from(project).orderBy(project.id)).map(read);
}

export async function projectById(database: Database, id: number): Promise<Project> {
  const [found] = await database.rows.select().from(project).where(eq(project.id, id));
  if (!found)
    throw new KnownProblem('no-such-project', `There is no project ${id}.`, 'Open one from the list.');
  return read(found);
}

export async function createProject(database: Database, name: string): Promise<Project> {
  const [created] = await database.rows
    .insert(project)
    .values({ name, settings: projectSettings.parse({}) })
    .returning();
  return read(created!);
}

export async function changeProject(
  database: Database,
  id: number,
  change: { name?: string; settings?: SettingsChange },
): Promise<Project> {
  const current = await projectById(database, id);
  const settings = projectSettings.parse(patched(current.settings, change.settings ?? {}));
  const [changed] = await database.rows
    .update(project)
    .set({ name: change.name ?? current.name, settings, revision: sql`${project.revision} + 1` })
    .where(eq(project.id, id))
    .returning();
  return read(changed!);
}

/** Tells comparisons that something they rest on has changed. */
export async function touchProject(database: Database, id: number): Promise<void> {
  await database.rows
    .update(project)
    .set({ revision: sql`${project.revision} + 1` })
    .where(eq(project.id, id));
}

/** Takes a project away with everything that is its own; facts that others share stay. */
export async function removeProject(database: Database, id: number): Promise<void> {
  await database.rows.delete(project).where(eq(project.id, id));
}
