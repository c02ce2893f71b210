import type { FrozenContent, ReportContent } from '@opsimath/contract/api/reportContent';
import type { FileFormat } from '@opsimath/contract/api/reports';

export interface FileOrder {
  content: ReportContent;
  format: FileFormat;
  table?: string | undefined;
  /** Of a frozen report. */
  seal: { checksum: string; madeAt: string; kept: FrozenContent } | null;
}

/** Where the schema of JSON files is published. */
export const SCHEMA_PATH = '/api/report-schema.json';

/** A report as a file. @param onProgress told how far it is, 0–1 */
export async function makeFile(
  { content, format, table, seal }: FileOrder,
  onProgress: (share: number) => void,
): Promise<Buffer> {
  // Each way of writing brings much along: only the one that is asked for is loaded.
  switch (format) {
    case 'pdf':
      return (await import('./pdfFile')).pdfFile(content, seal, onProgress);
    case 'xlsx':
      return (await import('./tableFiles')).xlsxFile(content, onProgress);
    case 'html':
      return Buffer.from((await import('./htmlFile')).htmlFile(content, seal));
    case 'csv':
      return Buffer.from((await import('./tableFiles')).csvFile(content, table));
    case 'md':
      return Buffer.from((await import('./markdownFile')).markdownFile(content));
    case 'json':
      return Buffer.from(
        `${JSON.stringify(
          {
            $schema: SCHEMA_PATH,
            ...(seal === null ? { content } : { checksum: seal.checksum, madeAt: seal.madeAt, ...seal.kept }),
          },
          null,
          1,
        )}\n`,
      );
  }
}
