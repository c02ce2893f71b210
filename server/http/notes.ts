import { note, noteAddition, noteChange } from '@opsimath/contract/api/notes';
import { z } from 'zod';
import { addNote, changeNote, listNotes, notePicture, removeNote } from '../data/notes';
import { projectById } from '../data/projects';
import { KnownProblem } from '../problems/problem';
import type { Routes } from './route';
import type { Services } from './services';

/** Notes on anything: why something was seen, decided or left. */
export function noteRoutes(routes: Routes, { database }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/notes',
      summary: 'Notes of a project, newest first',
      answer: z.array(note),
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return listNotes(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/notes',
      summary: 'Write a note on a keyword, a target, a word or a slot of a result page',
      body: noteAddition,
      answer: z.array(note),
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      await addNote(database, params.id, body.subject, {
        text: body.text,
        person: body.person,
        picture: body.picture,
      });
      return listNotes(database, params.id);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/notes/:note/picture',
      summary: 'The picture pasted into a note',
      answer: null,
      media: 'image/*',
    },
    async ({ params, context }) => {
      const found = await notePicture(database, params.id, params.note);
      if (found === null)
        throw new KnownProblem('no-picture', `Note ${params.note} has no picture.`, 'Open it again.');
      context.type = found.media;
      context.body = found.bytes;
    },
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id/notes/:note',
      summary: 'Say a note differently',
      body: noteChange,
      answer: z.array(note),
    },
    async ({ params, body }) => {
      await changeNote(database, params.id, params.note, body);
      return listNotes(database, params.id);
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/notes/:note',
      summary: 'Take a note away',
      answer: z.array(note),
    },
    async ({ params }) => {
      await removeNote(database, params.id, params.note);
      return listNotes(database, params.id);
    },
  );
}
