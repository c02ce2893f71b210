import { type Database, type InStatement, writeTogether } from '../storage/connection';
import { damaged } from './archiveLine';
import type { ArchivedRow as Row, Ids } from './archivedTexts';

/** Writes rows of an archive into a project, under ids of this installation. */
export abstract class ArchiveRows {
  constructor(
    protected readonly database: Database,
    protected readonly projectId: number,
  ) {}

  /** Rows that may stand already under another id: found again by what makes them one. */
  protected async takeMapped(
    rows: readonly Row[],
    ids: Ids,
    table: string,
    unique: string,
    leaveOut: readonly string[],
  ): Promise<void> {
    await this.insertPlain(table, rows, ['id', ...leaveOut]);
    const names = unique.split(', ');
    const found = await this.database.client.execute({
      sql: `SELECT json_extract(value, '$.id') AS old, ${table}.id AS id FROM json_each(?) CROSS JOIN ${table}
            ON ${names.map((name) => `${table}.${name} = json_extract(value, '$.${name}')`).join(' AND ')}`,
      args: [JSON.stringify(rows)],
    });
    for (const { old, id } of found.rows) ids.set(Number(old), Number(id));
  }

  /** Rows of the project whose new ids others refer to. */
  protected async takeOwned(
    rows: readonly Row[],
    table: string,
    ids: Ids,
    references: Record<string, Ids> = {},
    fixed: Row = {},
  ): Promise<void> {
    for (const row of rows) {
      const { id, ...rest } = {
        ...this.renumbered(row, references),
        ...fixed,
        project_id: this.projectId,
      } as Row;
      const names = Object.keys(rest);
      const added = await this.database.client.execute({
        sql: `INSERT INTO ${table} (${names.map(quoted).join(', ')}) VALUES (${names.map(() => '?').join(', ')}) RETURNING id`,
        args: names.map((name) => rest[name]!),
      });
      ids.set(Number(id), Number(added.rows[0]!.id));
    }
  }

  protected async insert(
    table: string,
    rows: readonly Row[],
    references: Record<string, Ids>,
    leaveOut: readonly string[] = [],
  ): Promise<void> {
    const renumbered = rows.map((row) => {
      const next = this.renumbered(row, references);
      return 'project_id' in next ? { ...next, project_id: this.projectId } : next;
    });
    await this.insertPlain(table, renumbered, leaveOut);
  }

  private renumbered(row: Row, references: Record<string, Ids>): Row {
    const next = { ...row };
    for (const [name, ids] of Object.entries(references))
      if (next[name] !== null && next[name] !== undefined)
        next[name] = ids.get(Number(next[name])) ?? next[name]!;
    return next;
  }

  protected async insertPlain(
    table: string,
    rows: readonly Row[],
    leaveOut: readonly string[],
  ): Promise<void> {
    const names = Object.keys(rows[0] ?? {}).filter((name) => !leaveOut.includes(name));
    if (names.length === 0) return;
    await writeTogether(this.database, [
      {
        sql: `INSERT OR IGNORE INTO ${table} (${names.map(quoted).join(', ')})
              SELECT ${names.map((name) => `json_extract(value, '$.${name}')`).join(', ')} FROM json_each(?)`,
        args: [JSON.stringify(rows)],
      },
    ]);
  }

  protected async run(sql: string, rows: (string | number)[][]): Promise<void> {
    await writeTogether(
      this.database,
      rows.map((args): InStatement => ({ sql, args })),
    );
  }
}

function quoted(name: string): string {
  if (!/^[a-z_]+$/.test(name)) throw damaged(`it holds a column “${name.slice(0, 40)}”`);
  return `"${name}"`;
}
