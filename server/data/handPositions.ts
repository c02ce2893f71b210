import type { HandPosition, handEntry } from '@opsimath/contract/api/handPositions';
import type { z } from 'zod';
import { KnownProblem } from '../problems/problem';
import { type Database, writeTogether } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** A position typed in, as comparisons read it. */
export interface HandFact {
  keyword: number;
  target: number;
  date: string;
  organic: number | null;
  paid: number | null;
}

/** Positions of a keyword typed in by hand, newest first. */
export async function handPositionsOf(
  database: Database,
  projectId: number,
  keywordId: number,
): Promise<HandPosition[]> {
  const found = await database.client.execute({
    sql: `SELECT hand_position.id, target_id AS target, target.name, date, organic, paid, person FROM hand_position
          JOIN target ON target.id = target_id
          WHERE hand_position.project_id = ? AND keyword_id = ? ORDER BY date DESC, hand_position.id DESC`,
    args: [projectId, keywordId],
  });
  return rawRows<HandPosition>(found).map((row) => ({ ...row }));
}

/** All that were typed in for a market, in the order of their days. */
export async function handFacts(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<HandFact[]> {
  const found = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, target_id AS target, date, organic, paid FROM hand_position
          JOIN keyword ON keyword.id = keyword_id AND market_id = ?
          WHERE project_id = ? ORDER BY date, hand_position.id`,
    args: [marketId, projectId],
  });
  return rawRows<HandFact>(found).map((row) => ({ ...row }));
}

// Comparisons name what they rest on by the revision of the project.
const revised = (projectId: number) => ({
  sql: 'UPDATE project SET revision = revision + 1 WHERE id = ?',
  args: [projectId],
});

export async function addHandPosition(
  database: Database,
  projectId: number,
  keywordId: number,
  { id, target, date, organic, paid, person }: z.output<typeof handEntry>,
): Promise<void> {
  const known = await database.client.execute({
    sql: `SELECT (SELECT 1 FROM target WHERE id = ?1 AND project_id = ?2) AS target,
                 (SELECT 1 FROM keyword WHERE id = ?3) AS keyword`,
    args: [target, projectId, keywordId],
  });
  if (!known.rows[0]!.target || !known.rows[0]!.keyword)
    throw new KnownProblem(
      'nothing-to-enter-on',
      'There is no such target or keyword in this project.',
      'Choose a target of the roster.',
    );
  await writeTogether(database, [
    {
      sql: `INSERT OR IGNORE INTO hand_position (id, project_id, keyword_id, target_id, date, organic, paid, person)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?)`,
      args: [id ?? null, projectId, keywordId, target, date, organic, paid, person],
    },
    revised(projectId),
  ]);
}

export async function removeHandPosition(database: Database, projectId: number, id: number): Promise<void> {
  await writeTogether(database, [
    { sql: 'DELETE FROM hand_position WHERE project_id = ? AND id = ?', args: [projectId, id] },
    revised(projectId),
  ]);
}

/** Keywords of whose position anybody typed in what they saw. */
export async function keywordsSeenByHand(database: Database, projectId: number): Promise<number[]> {
  const found = await database.client.execute({
    sql: 'SELECT DISTINCT keyword_id AS id FROM hand_position WHERE project_id = ?',
    args: [projectId],
  });
  return found.rows.map(({ id }) => Number(id));
}
