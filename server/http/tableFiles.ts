import { shownTable } from '@opsimath/contract/api/tableFiles';
import { fileName } from '../files/fileName';
import { writeTable } from '../files/tableWriters';
import type { Routes } from './route';

/** Tables as they stand on the screen, written as files: nothing is kept. */
export function tableFileRoutes(routes: Routes): void {
  routes.add(
    {
      method: 'post',
      path: '/table-files',
      summary: 'A table as it is shown, as CSV, XLSX or JSON: the rows that are handed in',
      body: shownTable,
      answer: null,
      media: 'application/octet-stream',
    },
    async ({ body: { format, name, about, heads, rows }, context }) => {
      async function* pages() {
        yield await Promise.resolve(rows);
      }
      const { body, type } = writeTable(format, { name, heads, about, pages: pages() });
      context.attachment(`${fileName(name)}.${format}`);
      context.type = type;
      context.body = body;
    },
  );
}
