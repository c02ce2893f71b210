import { marker, markerAddition, markerChange, marking, markingAnswer } from '@opsimath/contract/api/markers';
import { z } from 'zod';
import {
  addMarker,
  bringMarkerBack,
  changeMarker,
  listMarkers,
  markKeywords,
  removeMarker,
} from '../data/markers';
import { projectById } from '../data/projects';
import type { Routes } from './route';
import type { Services } from './services';

const markers = z.array(marker);

/** Marks that a project names itself: they decide nothing. */
export function markerRoutes(routes: Routes, { database }: Services): void {
  routes.add(
    { method: 'get', path: '/projects/:id/markers', summary: 'Markers of a project', answer: markers },
    async ({ params }) => {
      await projectById(database, params.id);
      return listMarkers(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/markers',
      summary: 'Name a marker and give it a shape',
      body: markerAddition,
      answer: markers,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      await addMarker(database, params.id, body);
      return listMarkers(database, params.id);
    },
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id/markers/:marker',
      summary: 'Rename a marker or change its shape',
      body: markerChange,
      answer: markers,
    },
    async ({ params, body }) => {
      await changeMarker(database, params.id, params.marker, body);
      return listMarkers(database, params.id);
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/markers/:marker',
      summary: 'Take a marker away, from all keywords',
      answer: markers,
    },
    async ({ params }) => {
      await removeMarker(database, params.id, params.marker);
      return listMarkers(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/markers/:marker/back',
      summary: 'Bring a marker back that was removed, with its keywords',
      answer: markers,
    },
    async ({ params }) => {
      await bringMarkerBack(database, params.id, params.marker);
      return listMarkers(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/markers/:marker/keywords',
      summary: 'Put a marker on keywords or take it off; answers with those it changed',
      body: marking,
      answer: markingAnswer,
    },
    async ({ params, body: { keywords, on } }) => ({
      changed: await markKeywords(database, params.id, params.marker, keywords, on),
    }),
  );
}
