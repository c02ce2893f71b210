import { same } from '@opsimath/contract/api/patch';
import type { Recipe, RecipeChange, RecipeStep } from '@opsimath/contract/api/sift';
import { mergeSets, mergeSteps } from '@opsimath/core/edits/mergeSteps';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { type Edited, changedMeanwhile, editionAt, keepEdition, lastEditor } from './editions';
import { recipe } from './schema';

/** What of a recipe people change. */
type Parts = Pick<Recipe, 'name' | 'steps' | 'rescued' | 'goal'>;
type Row = typeof recipe.$inferSelect;

const read = ({ projectId: _, removedAt: _r, ...row }: Row): Recipe => row as Recipe;
const partsOf = ({ name, steps, rescued, goal }: Row): Parts => ({
  name,
  steps: steps as RecipeStep[],
  rescued,
  goal,
});
const editedOf = ({ projectId, id }: Pick<Row, 'projectId' | 'id'>): Edited => ({
  projectId,
  kind: 'recipe',
  thingId: id,
});

/** Recipes of a project, the one changed last first. */
export async function listRecipes(database: Database, projectId: number): Promise<Recipe[]> {
  const rows = await database.rows
    .select()
    .from(recipe)
    .where(and(eq(recipe.projectId, projectId), isNull(recipe.removedAt)))
    .orderBy(desc(recipe.changedAt), desc(recipe.id));
  return rows.map(read);
}

export function addRecipe(database: Database, projectId: number, entry: Parts): Promise<Recipe> {
  return database.together(async (steps) => {
    const [row] = await steps.rows
      .insert(recipe)
      .values({ ...entry, projectId })
      .returning();
    await keepEdition(steps, editedOf(row!), row!.revision, entry);
    return read(row!);
  });
}

/** Changes a recipe. A change that rests on an older revision is merged with what came since; where both clash it is refused. */
export function changeRecipe(
  database: Database,
  projectId: number,
  id: number,
  { revision, person = '', ...change }: RecipeChange,
): Promise<Recipe> {
  return database.together(async (steps) => {
    const [held] = await steps.rows.select().from(recipe).where(mine(projectId, id));
    if (!held) throw gone(id);
    const merged = await mergedChange(steps, held, change, revision);
    const next = { ...partsOf(held), ...merged };
    const before =
      merged.steps && !same(merged.steps, held.steps) ? { steps: held.steps, rescued: held.rescued } : null;
    const [row] = await steps.rows
      .update(recipe)
      .set({
        ...next,
        ...(before && { before }),
        revision: held.revision + 1,
        changedAt: sql`strftime('%Y-%m-%dT%H:%M:%fZ','now')`,
      })
      .where(eq(recipe.id, id))
      .returning();
    await keepEdition(steps, editedOf(held), held.revision + 1, next, person);
    return read(row!);
  });
}

async function mergedChange(
  database: Database,
  held: Row,
  change: Partial<Parts>,
  revision: number | undefined,
): Promise<Partial<Parts>> {
  if (revision === undefined || revision === held.revision) return change;
  const what = `the recipe “${held.name}”`;
  const stands = partsOf(held);
  const base = await editionAt<Parts>(database, editedOf(held), revision);
  const person = await lastEditor(database, editedOf(held), held.revision);
  if (base === null) throw changedMeanwhile(what, ['more than can be told'], person);
  const merged: Partial<Parts> = {};
  const clashing: string[] = [];
  for (const part of ['name', 'goal'] as const) {
    if (change[part] === undefined) continue;
    if (stands[part] !== base[part] && stands[part] !== change[part])
      clashing.push(`its ${part} is ${stands[part]} now`);
    else Object.assign(merged, { [part]: change[part] });
  }
  if (change.rescued) merged.rescued = mergeSets(base.rescued, change.rescued, stands.rescued);
  if (change.steps) {
    const result = mergeSteps(base.steps, change.steps, stands.steps, same);
    if ('merged' in result) merged.steps = result.merged;
    else clashing.push(...result.clashes.map((step) => told(step, base.steps, stands.steps)));
  }
  if (clashing.length > 0) throw changedMeanwhile(what, clashing, person);
  return merged;
}

function told(clash: string, base: readonly RecipeStep[], stands: readonly RecipeStep[]): string {
  if (clash === 'order') return 'the order of the sieves';
  const at = base.findIndex(({ id }) => id === clash);
  const kind = (stands.find(({ id }) => id === clash) ?? base[at])?.sieve.kind ?? 'unknown';
  return stands.some(({ id }) => id === clash) ? `sieve ${at + 1} (${kind})` : `sieve ${at + 1} was removed`;
}

/** Takes a recipe away; it can be brought back as it was. */
export async function removeRecipe(database: Database, projectId: number, id: number): Promise<void> {
  await database.rows
    .update(recipe)
    .set({ removedAt: sql`strftime('%Y-%m-%dT%H:%M:%fZ','now')` })
    .where(mine(projectId, id));
}

export async function bringRecipeBack(database: Database, projectId: number, id: number): Promise<void> {
  const back = await database.rows
    .update(recipe)
    .set({ removedAt: null })
    .where(and(eq(recipe.projectId, projectId), eq(recipe.id, id)));
  if (back.rowsAffected === 0) throw gone(id);
}

const mine = (projectId: number, id: number) =>
  and(eq(recipe.projectId, projectId), eq(recipe.id, id), isNull(recipe.removedAt));

const gone = (id: number): KnownProblem =>
  new KnownProblem('no-such-recipe', `There is no recipe ${id}.`, 'It may have been removed.');
