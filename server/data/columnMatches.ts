import { type FileReading, fileReading } from '@opsimath/contract/api/imports';
import { and, eq } from 'drizzle-orm';
import type { Database } from './storage/connection';
import { columnMatch } from './schema';

const headsOf = (reading: FileReading): string => JSON.stringify(reading.headers);

/** Remembers how the columns of a file with these heads were matched. */
export async function rememberMatch(
  database: Database,
  projectId: number,
  reading: FileReading,
): Promise<void> {
  const values = { projectId, kind: '', heads: headsOf(reading), reading: { ...reading } };
  await database.rows
    .insert(columnMatch)
    .values(values)
    .onConflictDoUpdate({
      target: [columnMatch.projectId, columnMatch.kind, columnMatch.heads],
      set: { reading: values.reading },
    });
}

/** A reading with columns matched as they were for the last file with the same heads. */
export async function withRememberedMatch(
  database: Database,
  projectId: number,
  reading: FileReading,
): Promise<FileReading> {
  const [found] = await database.rows
    .select()
    .from(columnMatch)
    .where(and(eq(columnMatch.projectId, projectId), eq(columnMatch.heads, headsOf(reading))));
  if (!found) return reading;
  const { kind, columns, decimalComma, dateOrder } = fileReading.parse(found.reading);
  return { ...reading, kind, columns, decimalComma, dateOrder, remembered: true };
}
