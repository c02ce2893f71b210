import type { Note, NoteSubject } from '@opsimath/contract/api/notes';
import { key } from '@opsimath/core/text/key';
import { and, eq } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { changedMeanwhile, keepEdition, lastEditor } from './editions';
import { note } from './schema';
import { rawRows } from './storage/rawRows';

interface NoteRow {
  id: number;
  kind: NoteSubject['on'];
  keywordId: number | null;
  targetId: number | null;
  date: string | null;
  subject: string | null;
  text: string;
  person: string;
  hasPicture: number;
  writtenAt: string;
  revision: number;
  keyword: string | null;
  market: string | null;
  target: string | null;
}

/** All notes of a project, newest first. */
export async function listNotes(database: Database, projectId: number): Promise<Note[]> {
  const answer = await database.client.execute({
    sql: `SELECT note.id, note.kind, keyword_id AS keywordId, target_id AS targetId, note.date, subject, note.text,
                 person, picture IS NOT NULL AS hasPicture, note.created_at AS writtenAt, note.revision, keyword.text AS keyword, market.code AS market,
                 target.name AS target
          FROM note LEFT JOIN keyword ON keyword.id = keyword_id LEFT JOIN market ON market.id = keyword.market_id
               LEFT JOIN target ON target.id = target_id
          WHERE note.project_id = ? ORDER BY note.id DESC`,
    args: [projectId],
  });
  return rawRows<NoteRow>(answer).map(readNote);
}

function readNote(row: NoteRow): Note {
  const { id, text, person, writtenAt, revision, market } = row;
  const rest = { id, text, person, picture: row.hasPicture === 1, writtenAt, revision, market };
  switch (row.kind) {
    case 'keyword':
      return { ...rest, subject: { on: 'keyword', keyword: row.keywordId! }, about: row.keyword ?? '' };
    case 'target':
      return { ...rest, subject: { on: 'target', target: row.targetId! }, about: row.target ?? '' };
    case 'word':
      return { ...rest, subject: { on: 'word', word: row.subject! }, about: row.subject! };
    case 'slot':
      return {
        ...rest,
        subject: { on: 'slot', keyword: row.keywordId!, date: row.date!, address: row.subject! },
        about: `${row.subject!} for ${row.keyword ?? ''}, ${row.date!}`,
      };
  }
}

export async function addNote(
  database: Database,
  projectId: number,
  subject: NoteSubject,
  words: { text: string; person: string; picture: string | null },
): Promise<void> {
  await assertSubject(database, projectId, subject);
  await database.rows.insert(note).values({
    projectId,
    kind: subject.on,
    keywordId: 'keyword' in subject ? subject.keyword : null,
    targetId: subject.on === 'target' ? subject.target : null,
    date: subject.on === 'slot' ? subject.date : null,
    subject: subject.on === 'word' ? key(subject.word) : subject.on === 'slot' ? subject.address : null,
    ...words,
  });
}

/** What a note speaks of must be there, and a target must be the project's. */
async function assertSubject(database: Database, projectId: number, subject: NoteSubject): Promise<void> {
  if (subject.on === 'word') {
    if (key(subject.word) === '')
      throw new KnownProblem('no-word', 'A word needs a letter or number.', 'Type the word or phrase.');
    return;
  }
  const found =
    subject.on === 'target'
      ? await database.client.execute({
          sql: 'SELECT 1 FROM target WHERE id = ? AND project_id = ?',
          args: [subject.target, projectId],
        })
      : await database.client.execute({
          sql: 'SELECT 1 FROM keyword WHERE id = ?',
          args: [subject.keyword],
        });
  if (found.rows.length === 0)
    throw new KnownProblem('nothing-to-note-on', `There is no such ${subject.on}.`, 'Open it again.');
}

/** The picture of a note as its bytes and their media type; `null` where it has none. */
export async function notePicture(
  database: Database,
  projectId: number,
  id: number,
): Promise<{ media: string; bytes: Buffer } | null> {
  const found = await database.client.execute({
    sql: 'SELECT picture FROM note WHERE project_id = ? AND id = ?',
    args: [projectId, id],
  });
  const [, media, data] = /^data:([a-z/]+);base64,(.*)$/s.exec(String(found.rows[0]?.picture ?? '')) ?? [];
  return media === undefined ? null : { media, bytes: Buffer.from(data!, 'base64') };
}

/** Says a note differently. One that somebody else has changed since the revision that this rests on is left as it is. */
export function changeNote(
  database: Database,
  projectId: number,
  id: number,
  { text, revision, person }: { text: string; revision?: number; person: string },
): Promise<void> {
  return database.together(async (steps) => {
    const mine = and(eq(note.projectId, projectId), eq(note.id, id));
    const [held] = await steps.rows.select().from(note).where(mine);
    if (!held) throw new KnownProblem('no-such-note', `There is no note ${id}.`, 'It may have been removed.');
    const edited = { projectId, kind: 'note' as const, thingId: id };
    if (revision !== undefined && revision !== held.revision && held.text !== text)
      throw changedMeanwhile(
        'this note',
        [`it says “${held.text.slice(0, 200)}” now`],
        await lastEditor(steps, edited, held.revision),
      );
    await steps.rows
      .update(note)
      .set({ text, revision: held.revision + 1 })
      .where(mine);
    await keepEdition(steps, edited, held.revision + 1, { text }, person);
  });
}

export async function removeNote(database: Database, projectId: number, id: number): Promise<void> {
  await database.rows.delete(note).where(and(eq(note.projectId, projectId), eq(note.id, id)));
}

/** What was noted on keywords, oldest first, for files: one text a keyword. */
export async function notesOfKeywords(database: Database, projectId: number): Promise<Map<number, string>> {
  const notes = await notesByKeyword(database, projectId);
  return new Map([...notes].map(([keyword, written]) => [keyword, written.join('; ')]));
}

/** Each note on a keyword as files have it: its text, who wrote it and when; oldest first. */
export async function notesByKeyword(database: Database, projectId: number): Promise<Map<number, string[]>> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS id, text, person, substr(created_at, 1, 10) AS day FROM note
          WHERE project_id = ? AND kind = 'keyword' ORDER BY id`,
    args: [projectId],
  });
  const notes = new Map<number, string[]>();
  for (const { id, text, person, day } of answer.rows) {
    const said = `${String(text)} (${[person, day].filter(Boolean).join(', ')})`;
    notes.set(Number(id), [...(notes.get(Number(id)) ?? []), said]);
  }
  return notes;
}
