import type {
  KeywordList,
  ListCombination,
  listChange as change,
  listFromSift,
} from '@opsimath/contract/api/lists';
import { and, asc, eq } from 'drizzle-orm';
import type { z } from 'zod';
import { KnownProblem } from '../problem';
import { type Database, type InStatement, writeTogether } from './connection';
import { keywordList, listChange } from './schema';

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
export type ListRow = Omit<KeywordList, 'volume' | 'judged' | 'fitVolume'>;

/** Lists of a project with their history, the oldest first. */
export async function listLists(database: Database, projectId: number): Promise<ListRow[]> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_list.id, keyword_list.name, code AS market, locked, origin, created_at AS createdAt,
                 source, goal, (SELECT count(*) FROM list_member WHERE list_id = keyword_list.id) AS keywords
          FROM keyword_list JOIN market ON market.id = market_id WHERE project_id = ? ORDER BY keyword_list.id`,
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
  return answer.rows.map((row) => {
    const { source, ...list } = row as unknown as ListRow & { source: string | null };
    return {
      ...list,
      locked: Boolean(list.locked),
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
    .where(and(eq(keywordList.projectId, projectId), eq(keywordList.id, id)));
  if (!row) throw new KnownProblem('no-such-list', `There is no list ${id}.`, 'It may have been taken away.');
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
          WHERE project_id = ? AND market_id = ?`,
    args: [projectId, marketId],
  });
  return new Set(JSON.parse(String(answer.rows[0]!.ids)) as number[]);
}

/** Changes whenever the keywords of a list do. */
export async function listState(database: Database, id: number): Promise<string> {
  const answer = await database.client.execute({
    sql: `SELECT count(*) || '/' || total(keyword_id) || '/' || total(keyword_id * (keyword_id % 1009)) AS state
          FROM list_member WHERE list_id = ?`,
    args: [id],
  });
  return String(answer.rows[0]!.state);
}

/** Keywords of other markets are left out: a list belongs to one. */
export async function addList(database: Database, list: NewList): Promise<number> {
  const { projectId, marketId, name, origin, person, keywords, source } = list;
  const [row] = await database.rows
    .insert(keywordList)
    .values({ projectId, marketId, name, origin, source: source ?? null })
    .returning({ id: keywordList.id });
  const added = await database.client.execute({
    sql: `INSERT OR IGNORE INTO list_member (list_id, keyword_id)
          SELECT ?, keyword.id FROM json_each(?) CROSS JOIN keyword ON keyword.id = value WHERE market_id = ?`,
    args: [row!.id, JSON.stringify(keywords), marketId],
  });
  await note(database, row!.id, person, `made with ${added.rowsAffected} keywords`);
  return row!.id;
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

/** Renames, locks, adds and takes out. A locked list changes in nothing but its lock. */
export async function changeList(
  database: Database,
  projectId: number,
  id: number,
  { name, locked, goal, add = [], remove = [], person }: z.output<typeof change>,
): Promise<void> {
  const list = await listById(database, projectId, id);
  if (list.locked && locked !== false && (name !== undefined || add.length > 0 || remove.length > 0))
    throw new KnownProblem('locked', `The list “${list.name}” is locked.`, 'Unlock it first.');
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
  const before = (await listMembers(database, id)).length;
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
  await writeTogether(database, statements);
  const after = (await listMembers(database, id)).length;
  if (after !== before || add.length > 0 || remove.length > 0)
    what.push(`${before} keywords became ${after}`);
  if (what.length > 0) await note(database, id, person, what.join(', '));
}

export async function removeList(database: Database, projectId: number, id: number): Promise<void> {
  const list = await listById(database, projectId, id);
  if (list.locked) throw new KnownProblem('locked', `The list “${list.name}” is locked.`, 'Unlock it first.');
  await database.rows.delete(keywordList).where(eq(keywordList.id, id));
}

async function note(database: Database, listId: number, person: string, what: string): Promise<void> {
  await database.rows.insert(listChange).values({ listId, person, what });
}
