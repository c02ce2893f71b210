import { handEntry, handPosition } from '@opsimath/contract/api/handPositions';
import { z } from 'zod';
import { addHandPosition, handPositionsOf, removeHandPosition } from '../data/handPositions';
import { projectById } from '../data/projects';
import type { Routes } from './route';
import type { Services } from './services';

const list = z.array(handPosition);

/** Positions that somebody saw and typed in: kept apart from captures and look-ups. */
export function handPositionRoutes(routes: Routes, { database }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/keywords/:keyword/hand',
      summary: 'Positions of a keyword that were typed in by hand, newest first',
      answer: list,
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return handPositionsOf(database, params.id, params.keyword);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/keywords/:keyword/hand',
      summary: 'Type in where a target was seen; it counts in gaps only where the settings say so',
      body: handEntry,
      answer: list,
    },
    async ({ params, body }) => {
      await addHandPosition(database, params.id, params.keyword, body);
      return handPositionsOf(database, params.id, params.keyword);
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/keywords/:keyword/hand/:entry',
      summary: 'Take a position typed in by hand away',
      answer: list,
    },
    async ({ params }) => {
      await removeHandPosition(database, params.id, params.entry);
      return handPositionsOf(database, params.id, params.keyword);
    },
  );
}
