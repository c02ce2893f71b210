import { createReadStream } from 'node:fs';
import { createGunzip } from 'node:zlib';
import { damaged } from './archiveLine';

/** Larger than any line that is written here. */
const LONGEST_LINE = 128 * 1024 * 1024;
const MOST_BYTES = 16 * 1024 ** 3;

/** Lines of a packed archive, with the packed bytes read so far. Throws for what unpacks without end. */
export async function* unpackedLines(file: string): AsyncGenerator<{ line: string; bytesRead: number }> {
  const packed = createReadStream(file);
  const unpacked = createGunzip();
  packed.once('error', (error) => unpacked.destroy(error));
  packed.pipe(unpacked);
  let parts: Buffer[] = [];
  let length = 0;
  let bytes = 0;
  try {
    for await (const piece of unpacked as AsyncIterable<Buffer>) {
      bytes += piece.length;
      if (bytes > MOST_BYTES) throw damaged('it unpacks to more than 16 GB');
      let from = 0;
      for (let end = piece.indexOf(10); end >= 0; end = piece.indexOf(10, from)) {
        parts.push(piece.subarray(from, end));
        yield { line: Buffer.concat(parts).toString('utf8'), bytesRead: packed.bytesRead };
        parts = [];
        length = 0;
        from = end + 1;
      }
      if (from < piece.length) parts.push(piece.subarray(from));
      length += piece.length - from;
      if (length > LONGEST_LINE) throw damaged('a line of it is longer than 128 MB');
    }
  } catch (error) {
    if ((error as { code?: string }).code?.startsWith('Z_'))
      throw damaged('it is not packed as it should be');
    throw error;
  } finally {
    packed.destroy();
    unpacked.destroy();
  }
  if (length > 0) yield { line: Buffer.concat(parts).toString('utf8'), bytesRead: packed.bytesRead };
}
