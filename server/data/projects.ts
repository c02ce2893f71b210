import { clashes, patched } from '@opsimath/contract/api/patch';
import {
  type Project,
  type ProjectChange,
  type ProjectSettings,
  projectSettings,
} from '@opsimath/contract/api/projects';
import { eq, notInArray } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import { type Database, writeTogether } from './storage/connection';
import { changedMeanwhile, editionAt, keepEdition, lastEditor } from './editions';
import { audit, project } from './schema';

function read({ verdictsRevision: _, ...row }: typeof project.$inferSelect): Project {
  return { ...row, settings: projectSettings.parse(row.settings) };
}

/** All projects; rooms of audits are none. */
export async function listProjects(database: Database): Promise<Project[]> {
  const audits = database.rows.select({ id: audit.projectId }).from(audit);
  return (
    await database.rows.select().from(project).where(notInArray(project.id, audits)).orderBy(project.id)
  ).map(read);
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

/**
 * Renames a project or changes its settings: only what is named. Settings that somebody else has changed to something
 * else since the revision that the change rests on are refused.
 */
export function changeProject(
  database: Database,
  id: number,
  { name, settings: change, settingsRevision, person = '' }: ProjectChange,
): Promise<Project> {
  return database.together(async (steps) => {
    const current = await projectById(steps, id);
    const edited = { projectId: id, kind: 'settings' as const, thingId: id };
    if (change && settingsRevision !== undefined && settingsRevision !== current.settingsRevision) {
      const base = await editionAt<ProjectSettings>(steps, edited, settingsRevision);
      const clashing = base ? clashes(base, current.settings, change) : [];
      if (clashing.length > 0)
        throw changedMeanwhile(
          'these settings',
          clashing,
          await lastEditor(steps, edited, current.settingsRevision),
        );
    }
    const settings = projectSettings.parse(patched(current.settings, change ?? {}));
    const next = current.settingsRevision + (change ? 1 : 0);
    if (change) {
      // The first time what stood before is kept as well: others may rest on it.
      await keepEdition(steps, edited, current.settingsRevision, current.settings);
      await keepEdition(steps, edited, next, settings, person);
    }
    const [changed] = await steps.rows
      .update(project)
      .set({
        name: name ?? current.name,
        settings,
        settingsRevision: next,
      })
      .where(eq(project.id, id))
      .returning();
    return read(changed!);
  });
}

/** Tables of what is a project's own; what hangs on their rows goes with them. */
const OWN_TABLES = [
  'given_verdicts',
  'verdict',
  'word_leave',
  'variant_choice',
  'tracked',
  'note',
  'result_reading',
  'hand_position',
  'chosen_action',
  'said_purpose',
  'published_change',
  'report_share',
  'report_plan',
  'frozen_report',
  'audit',
  'report',
  'visit_month',
  'watch_plan',
  'watch_feed',
  'draft',
  'task',
  'round',
  'answering',
  'own_bid',
  'marker',
  'recipe',
  'keyword_list',
  'file_export',
  'look_up',
  'file_import',
  'index_check',
  'sitemap_page',
  'column_match',
  'banned_word',
  'target',
  'edition',
];

/** Takes everything out of a project that is its own; the project itself and its jobs stay. */
export async function emptyProject(database: Database, id: number): Promise<void> {
  await writeTogether(database, [
    {
      sql: 'DELETE FROM segment WHERE project_id = ?1 OR look_up_id IN (SELECT id FROM look_up WHERE project_id = ?1)',
      args: [id],
    },
    ...OWN_TABLES.map((table) => ({ sql: `DELETE FROM ${table} WHERE project_id = ?`, args: [id] })),
  ]);
}

/** Takes a project away with everything that is its own; facts that others share stay. */
export async function removeProject(database: Database, id: number): Promise<void> {
  await database.rows.delete(project).where(eq(project.id, id));
}
