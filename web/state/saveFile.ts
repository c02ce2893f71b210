import type { ShownTable } from '@opsimath/contract/api/tableFiles';

/**
 * Has a table written as a file, and hands it to the browser to keep.
 * @throws what the server says where it refuses, as {@link problemOf} reads it
 */
export async function saveFile(table: ShownTable): Promise<void> {
  const answer = await fetch('/api/table-files', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(table),
  });
  if (!answer.ok) throw { status: answer.status, data: await answer.json() } as unknown as Error;
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await answer.blob());
  link.download = nameIn(answer.headers.get('content-disposition')) ?? `table.${table.format}`;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** The name that an answer gives its file. */
function nameIn(disposition: string | null): string | null {
  const encoded = /filename\*=UTF-8''([^;]+)/i.exec(disposition ?? '')?.[1];
  if (encoded) return decodeURIComponent(encoded);
  return /filename="?([^";]+)"?/i.exec(disposition ?? '')?.[1] ?? null;
}
