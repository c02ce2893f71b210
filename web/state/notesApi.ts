import type { Note, NoteAddition } from '@opsimath/contract/api/notes';
import { type InProject, api } from './api';
import { restsOn, touches } from './restsOn';

/** Notes on anything. */
export const { useNotesQuery, useAddNoteMutation, useChangeNoteMutation, useRemoveNoteMutation } =
  api.injectEndpoints({
    endpoints: (build) => ({
      notes: build.query<Note[], number>({
        query: (project) => `/projects/${project}/notes`,
        providesTags: restsOn('notes'),
      }),
      addNote: build.mutation<Note[], InProject<NoteAddition>>({
        query: ({ project, ...body }) => ({ url: `/projects/${project}/notes`, method: 'POST', body }),
        invalidatesTags: touches('addNote'),
      }),
      changeNote: build.mutation<
        Note[],
        InProject<{ note: number; text: string; revision: number; person: string }>
      >({
        query: ({ project, note, ...body }) => ({
          url: `/projects/${project}/notes/${note}`,
          method: 'PATCH',
          body,
        }),
        invalidatesTags: touches('changeNote'),
      }),
      removeNote: build.mutation<Note[], InProject<{ note: number }>>({
        query: ({ project, note }) => ({ url: `/projects/${project}/notes/${note}`, method: 'DELETE' }),
        invalidatesTags: touches('removeNote'),
      }),
    }),
  });
