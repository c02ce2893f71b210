import { createClient, type Client } from '@libsql/client';
import type { Ledger } from './ledger';

/** Looks into the file of a server that was just killed. Gives what is wrong, in words. */
export async function lookInto(file: string, ledger: Ledger, project: number): Promise<string[]> {
  const client = createClient({ url: `file:${file}`, concurrency: 1 });
  try {
    return [
      ...(await isWhole(client)),
      ...(await verdictsStand(client, ledger, project)),
      ...(await namedStand(client, ledger, project)),
      ...(await settingsStand(client, ledger, project)),
    ];
  } finally {
    client.close();
  }
}

async function isWhole(client: Client): Promise<string[]> {
  const problems: string[] = [];
  const check = await client.execute('PRAGMA quick_check');
  if (check.rows[0]!.quick_check !== 'ok')
    problems.push(`the file is not whole: ${String(check.rows[0]!.quick_check)}`);
  const strays = await client.execute('PRAGMA foreign_key_check');
  if (strays.rows.length > 0) problems.push(`${strays.rows.length} rows speak of what is not there`);
  return problems;
}

async function verdictsStand(client: Client, ledger: Ledger, project: number): Promise<string[]> {
  const rows = await client.execute({
    sql: 'SELECT keyword_id AS keyword, verdict FROM verdict WHERE project_id = ?',
    args: [project],
  });
  const held = new Map(rows.rows.map(({ keyword, verdict }) => [Number(keyword), String(verdict)]));
  return [...ledger.verdicts].flatMap(([keyword, entry]) => {
    const stands = held.get(keyword) ?? '';
    const { confirmed, perhaps } = entry;
    if (stands !== confirmed && !perhaps.has(stands))
      return [`verdict of ${keyword}: ${stands}, confirmed was ${confirmed}`];
    // What stands is what counts from now on.
    entry.confirmed = stands;
    perhaps.clear();
    return [];
  });
}

async function namedStand(client: Client, ledger: Ledger, project: number): Promise<string[]> {
  const counts = new Map<string, number>();
  for (const [table, column] of [
    ['keyword_list', 'name'],
    ['note', 'text'],
  ]) {
    const found = await client.execute({
      sql: `SELECT ${column} AS name, count(*) AS n FROM ${table} WHERE project_id = ? GROUP BY ${column}`,
      args: [project],
    });
    for (const { name, n } of found.rows) counts.set(String(name), Number(n));
  }
  const empty = await client.execute(
    `SELECT name FROM keyword_list WHERE id NOT IN (SELECT list_id FROM list_member)
     UNION SELECT name FROM keyword_list WHERE id NOT IN (SELECT list_id FROM list_change)`,
  );
  return [
    ...empty.rows.map(({ name }) => `the list ${String(name)} is only half there`),
    ...[...ledger.named].flatMap(([name, entry]) => {
      const n = counts.get(name) ?? 0;
      if (n > 1) return [`${name} is there ${n} times`];
      if (n === 0 && entry.confirmed) return [`${name} was confirmed and is lost`];
      entry.confirmed = n === 1;
      return [];
    }),
  ];
}

async function settingsStand(client: Client, ledger: Ledger, project: number): Promise<string[]> {
  const found = await client.execute({ sql: 'SELECT settings FROM project WHERE id = ?', args: [project] });
  const settings = JSON.parse(String(found.rows[0]!.settings)) as Record<string, number | null>;
  return [...ledger.settings].flatMap(([name, entry]) => {
    const stands = settings[name] ?? null;
    if (entry.confirmed !== null && stands !== entry.confirmed && !entry.perhaps.has(stands!))
      return [`${name} is ${stands}, confirmed was ${entry.confirmed}`];
    entry.confirmed = stands;
    entry.perhaps.clear();
    return [];
  });
}

/** Facts that stand twice: pairs of a look-up's rankings, keywords captured twice on a day by the services. */
export async function doubled(file: string): Promise<string[]> {
  const client = createClient({ url: `file:${file}`, concurrency: 1 });
  try {
    const segments = await client.execute(
      `SELECT id, kind, source, date, look_up_id AS lookUp, subject FROM segment
       WHERE superseded = 0 AND source = 'search services' AND kind IN ('rankings', 'captures')`,
    );
    const seen = new Set<string>();
    let twice = 0;
    for (const { id, kind, date, lookUp, subject } of segments.rows) {
      const keyword = await column(client, Number(id), 'keyword');
      const place = kind === 'rankings' ? await column(client, Number(id), 'place') : null;
      keyword.forEach((value, n) => {
        const name = place
          ? `${String(lookUp)} ${String(subject)} ${value} ${place[n]!}`
          : `${String(date)} ${value}`;
        if (seen.has(name)) twice++;
        seen.add(name);
      });
    }
    return twice > 0 ? [`${twice} facts stand twice`] : [];
  } finally {
    client.close();
  }
}

async function column(client: Client, segment: number, name: string): Promise<Int32Array> {
  const found = await client.execute({
    sql: 'SELECT data FROM segment_column WHERE segment_id = ? AND name = ? ORDER BY block',
    args: [segment, name],
  });
  const parts = found.rows.map(({ data }) => new Int32Array(data as ArrayBuffer));
  const whole = new Int32Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
