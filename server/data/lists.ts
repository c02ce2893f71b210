import type {
  KeywordList,
  ListCombination,
  listChange as listChanges,
  listFromSift,
} from '@opsimath/contract/api/lists';
import { and, asc, eq, isNull } from 'drizzle-orm';
import { clashes } from '@opsimath/contract/api/patch';
import type { z } from 'zod';
import { KnownProblem } from '../problems/problem';
import { type Database, type InStatement, writeTogether } from './storage/connection';
import { type Edited, changedMeanwhile, editionAt, keepEdition, lastEditor } from './editions';
import { keywordList, listChange } from './schema';
import { rawRows } from './storage/rawRows';

interface NewList {
  projectId: number;
  marketId: number;
  name: string;
  origin: string;
  person: string;
  keywords: readonly number[];
  /** What it was made of, so that it can be made again. */
  source?: ListSource;
}
/** A look-up, what it was run through, and the verdicts that were taken; none takes all. */
export type ListSource = Pick<z.output<typeof listFromSift>, 'query' | 'only'> & { lookUp: number };

/** Volumes and verdicts of its keywords are not known here: they come with the market. */
type ListRow = Omit<KeywordList, 'volume' | 'judged' | 'fitVolume'>;

/** Lists of a project with their history, the oldest first. */
export async function listLists(database: Database, projectId: number): Promise<ListRow[]> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_list.id, keyword_list.name, code AS market, locked, origin, created_at AS createdAt,
                 source, goal, revision, (SELECT count(*) FROM list_member WHERE list_id = keyword_list.id) AS keywords
          FROM keyword_list JOIN market ON market.id = market_id
          WHERE project_id = ? AND removed_at IS NULL ORDER BY keyword_list.id`,
    args: [projectId],
  });
  const history = await database.rows
    .select({
      listId: listChange.listId,
      at: listChange.at,
      person: listChange.person,
      what: listChange.what,
    })
    .from(listChange)
    .innerJoin(keywordList, eq(keywordList.id, listChange.listId))
    .where(eq(keywordList.projectId, projectId))
    .orderBy(asc(listChange.id));
  return rawRows<ListRow & { source: string | null }>(answer).map(({ source, ...list }) => {
    return {
      ...list,
      locked: Boolean(list.locked),
      lookUp: source === null ? null : (JSON.parse(source) as ListSource).lookUp,
      renewable: source !== null,
      history: history.flatMap(({ listId, ...entry }) => (listId === list.id ? [entry] : [])),
    };
  });
}

export async function listById(
  database: Database,
  projectId: number,
  id: number,
): Promise<typeof keywordList.$inferSelect> {
  const [row] = await database.rows
    .select()
    .from(keywordList)
    .where(and(eq(keywordList.projectId, projectId), eq(keywordList.id, id), isNull(keywordList.removedAt)));
  if (!row) throw gone(id);
  return row;
}

export async function listMembers(database: Database, id: number): Promise<Int32Array> {
  const answer = await database.client.execute({
    sql: `SELECT json_group_array(keyword_id) AS ids FROM
            (SELECT keyword_id FROM list_member WHERE list_id = ? ORDER BY keyword_id)`,
    args: [id],
  });
  return Int32Array.from(JSON.parse(String(answer.rows[0]!.ids)) as number[]);
}

/** Keywords of a market that are in any list of a project. */
export async function listedKeywords(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<Set<number>> {
  const answer = await database.client.execute({
    sql: `SELECT json_group_array(DISTINCT keyword_id) AS ids FROM list_member JOIN keyword_list ON id = list_id
          WHERE project_id = ? AND market_id = ? AND removed_at IS NULL`,
    args: [projectId, marketId],
  });
  return new Set(JSON.parse(String(answer.rows[0]!.ids)) as number[]);
}

/** Keywords of other markets are left out: a list belongs to one. */
export function addList(database: Database, list: NewList): Promise<number> {
  const { projectId, marketId, name, origin, person, keywords, source } = list;
  return database.together(async (steps) => {
    const [row] = await steps.rows
      .insert(keywordList)
      .values({ projectId, marketId, name, origin, source: source ?? null })
      .returning();
    const added = await steps.client.execute({
      sql: `INSERT OR IGNORE INTO list_member (list_id, keyword_id)
            SELECT ?, keyword.id FROM json_each(?) CROSS JOIN keyword ON keyword.id = value WHERE market_id = ?`,
      args: [row!.id, JSON.stringify(keywords), marketId],
    });
    await note(steps, row!.id, person, `made with ${added.rowsAffected} keywords`);
    await keepEdition(steps, editedOf(row!), row!.revision, partsOf(row!), person);
    return row!.id;
  });
}

/** A list of what is in any, in all, or in the first and no other. */
export async function combineLists(
  database: Database,
  projectId: number,
  { name, lists, how, person }: Required<ListCombination>,
): Promise<number> {
  const rows = [];
  for (const id of lists) rows.push(await listById(database, projectId, id));
  const [first] = rows;
  if (rows.some(({ marketId }) => marketId !== first!.marketId))
    throw new KnownProblem(
      'lists-of-other-markets',
      'These lists belong to different markets.',
      'Combine lists of one market.',
    );
  const members = await Promise.all(lists.map((id) => listMembers(database, id)));
  const keywords = combined(members, how);
  const names = rows
    .map((row) => `“${row.name}”`)
    .join(how === 'union' ? ' or ' : how === 'intersection' ? ' and ' : ' without ');
  return addList(database, {
    projectId,
    marketId: first!.marketId,
    name,
    origin: `${how} of ${names}`.slice(0, 500),
    person,
    keywords,
  });
}

function combined(members: readonly Int32Array[], how: ListCombination['how']): number[] {
  const [first, ...rest] = members.map((ids) => new Set(ids));
  if (how === 'union') return [...new Set(members.flatMap((ids) => [...ids]))];
  return [...first!].filter((id) =>
    how === 'intersection' ? rest.every((other) => other.has(id)) : !rest.some((other) => other.has(id)),
  );
}

/** What of a list people change, beside its keywords. */
type Parts = Pick<typeof keywordList.$inferSelect, 'name' | 'locked' | 'goal'>;
type Row = typeof keywordList.$inferSelect;

const partsOf = ({ name, locked, goal }: Row): Parts => ({ name, locked, goal });
const editedOf = ({ projectId, id }: Row): Edited => ({ projectId, kind: 'list', thingId: id });

/**
 * Renames, locks, adds and takes out. A locked list changes in nothing but its lock. Keywords that several people add
 * or take out add up; a name, lock or goal that somebody else has changed meanwhile is refused.
 */
export function changeList(
  database: Database,
  projectId: number,
  id: number,
  { revision, add = [], remove = [], person, ...change }: z.output<typeof listChanges>,
): Promise<void> {
  return database.together(async (steps) => {
    const list = await listById(steps, projectId, id);
    const { name, locked, goal } = change;
    if (list.locked && locked !== false && (name !== undefined || add.length > 0 || remove.length > 0))
      throw new KnownProblem('locked', `The list “${list.name}” is locked.`, 'Unlock it first.');
    if (revision !== undefined && revision !== list.revision) {
      const base = await editionAt<Parts>(steps, editedOf(list), revision);
      const clashing = base ? clashes<Parts>(base, partsOf(list), change) : [];
      if (clashing.length > 0)
        throw changedMeanwhile(
          `the list “${list.name}”`,
          clashing,
          await lastEditor(steps, editedOf(list), list.revision),
        );
    }
    const statements: InStatement[] = [];
    const what: string[] = [];
    if (name !== undefined && name !== list.name) {
      statements.push({ sql: 'UPDATE keyword_list SET name = ? WHERE id = ?', args: [name, id] });
      what.push(`renamed from “${list.name}”`);
    }
    if (locked !== undefined && locked !== list.locked) {
      statements.push({ sql: 'UPDATE keyword_list SET locked = ? WHERE id = ?', args: [locked ? 1 : 0, id] });
      what.push(locked ? 'locked' : 'unlocked');
    }
    if (goal !== undefined && goal !== list.goal) {
      statements.push({ sql: 'UPDATE keyword_list SET goal = ? WHERE id = ?', args: [goal, id] });
      what.push(goal === null ? 'no goal any more' : `${goal} fit keywords wanted`);
    }
    const before = (await listMembers(steps, id)).length;
    if (add.length > 0)
      statements.push({
        sql: `INSERT OR IGNORE INTO list_member (list_id, keyword_id)
              SELECT ?, keyword.id FROM json_each(?) CROSS JOIN keyword ON keyword.id = value WHERE market_id = ?`,
        args: [id, JSON.stringify(add), list.marketId],
      });
    if (remove.length > 0)
      statements.push({
        sql: 'DELETE FROM list_member WHERE list_id = ? AND keyword_id IN (SELECT value FROM json_each(?))',
        args: [id, JSON.stringify(remove)],
      });
    if (statements.length > 0)
      statements.push({ sql: 'UPDATE keyword_list SET revision = revision + 1 WHERE id = ?', args: [id] });
    await writeTogether(steps, statements);
    const after = (await listMembers(steps, id)).length;
    if (after !== before || add.length > 0 || remove.length > 0)
      what.push(`${before} keywords became ${after}`);
    if (what.length > 0) await note(steps, id, person, what.join(', '));
    const now = await listById(steps, projectId, id);
    await keepEdition(steps, editedOf(now), now.revision, partsOf(now), person);
  });
}

/** Takes a list away; it can be brought back as it was. */
export async function removeList(database: Database, projectId: number, id: number): Promise<void> {
  const list = await listById(database, projectId, id);
  if (list.locked) throw new KnownProblem('locked', `The list “${list.name}” is locked.`, 'Unlock it first.');
  await database.rows
    .update(keywordList)
    .set({ removedAt: new Date().toISOString() })
    .where(eq(keywordList.id, id));
}

export async function bringListBack(database: Database, projectId: number, id: number): Promise<void> {
  const back = await database.rows
    .update(keywordList)
    .set({ removedAt: null })
    .where(and(eq(keywordList.projectId, projectId), eq(keywordList.id, id)));
  if (back.rowsAffected === 0) throw gone(id);
}

const gone = (id: number): KnownProblem =>
  new KnownProblem('no-such-list', `There is no list ${id}.`, 'It may have been removed.');

async function note(database: Database, listId: number, person: string, what: string): Promise<void> {
  await database.rows.insert(listChange).values({ listId, person, what });
}
