import { outsidePreview } from '@opsimath/contract/api/outside';
import { z } from 'zod';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { outsideChanges } from '../data/outsideChanges';
import { readFile } from '../files/readFile';
import type { Routes } from './route';
import type { Services } from './services';
import { withUpload } from './upload';

/** Tables that were written here and worked on outside. */
export function outsideRoutes(routes: Routes, { database, filesFolder }: Services): void {
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/outside',
      summary:
        'What a CSV or XLSX worked on outside would change in verdicts, reasons, notes and markers (the body is the file); changes nothing',
      query: z.object({ market: z.string() }),
      answer: outsidePreview,
    },
    async ({ params, query, context }) => {
      await projectById(database, params.id);
      const market = await marketByCode(database, query.market);
      return withUpload(context, filesFolder, async (file) => {
        const { rows, problems } = await readFile('outside table', file);
        return outsideChanges(database, params.id, market, rows, problems);
      });
    },
  );
}
