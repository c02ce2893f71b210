import type { Recipe, RecipeChange } from '@opsimath/contract/api/sift';
import { and, desc, eq, sql } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import type { Database } from './connection';
import { recipe } from './schema';

const read = ({ projectId: _, ...row }: typeof recipe.$inferSelect): Recipe => row as Recipe;

/** Recipes of a project, the one changed last first. */
export async function listRecipes(database: Database, projectId: number): Promise<Recipe[]> {
  const rows = await database.rows
    .select()
    .from(recipe)
    .where(eq(recipe.projectId, projectId))
    .orderBy(desc(recipe.changedAt), desc(recipe.id));
  return rows.map(read);
}

export async function addRecipe(
  database: Database,
  projectId: number,
  entry: Omit<Recipe, 'id' | 'before' | 'changedAt'>,
): Promise<Recipe> {
  const [row] = await database.rows
    .insert(recipe)
    .values({ ...entry, projectId })
    .returning();
  return read(row!);
}

export async function changeRecipe(
  database: Database,
  projectId: number,
  id: number,
  change: RecipeChange,
): Promise<Recipe> {
  const mine = and(eq(recipe.projectId, projectId), eq(recipe.id, id));
  const [held] = change.steps ? await database.rows.select().from(recipe).where(mine) : [];
  const kept = held ? { before: { steps: held.steps, rescued: held.rescued } } : {};
  const [row] = await database.rows
    .update(recipe)
    .set({ ...change, ...kept, changedAt: sql`strftime('%Y-%m-%dT%H:%M:%fZ','now')` })
    .where(mine)
    .returning();
  if (!row)
    throw new KnownProblem('no-such-recipe', `There is no recipe ${id}.`, 'It may have been taken away.');
  return read(row);
}

export async function removeRecipe(database: Database, projectId: number, id: number): Promise<void> {
  await database.rows.delete(recipe).where(and(eq(recipe.projectId, projectId), eq(recipe.id, id)));
}
