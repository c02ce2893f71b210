import type { FileReading, ImportKind, ImportPreview } from '@opsimath/contract/api/imports';
import { readOutsideTable } from './outsideTable';
import { readSavedPage } from './savedPage';
import { readSitemap } from './sitemap';
import { readWrittenText } from './writtenText';
import { lookAgain, lookAtTable } from './tableLook';

/** What is read of files that people bring, by name: each runs on a thread of its own. */
export const FILE_TASKS = {
  table: (file: string, kind?: ImportKind): Promise<ImportPreview> => lookAtTable(file, kind),
  'table again': (file: string, format: FileReading['format'], kind: ImportKind): Promise<ImportPreview> =>
    lookAgain(file, format, kind),
  'outside table': (file: string) => readOutsideTable(file),
  'saved page': (file: string) => readSavedPage(file),
  'written text': (file: string) => readWrittenText(file),
  sitemap: (file: string) => readSitemap(file),
};
export type FileTasks = typeof FILE_TASKS;
