import { createHash } from 'node:crypto';

/** Typed columns as they are packed into blobs. */
export type ColumnType = 'u8' | 'i32' | 'f32' | 'f64';
export type Column = Uint8Array | Int32Array | Float32Array | Float64Array;
export type Columns = Record<string, Column>;

/** Entries of one blob. */
export const BLOCK = 65_536;

export function typeOf(column: Column): ColumnType {
  if (column instanceof Uint8Array) return 'u8';
  if (column instanceof Int32Array) return 'i32';
  return column instanceof Float32Array ? 'f32' : 'f64';
}

export function emptyColumn(type: ColumnType, count: number): Column {
  switch (type) {
    case 'u8':
      return new Uint8Array(count);
    case 'i32':
      return new Int32Array(count);
    case 'f32':
      return new Float32Array(count);
    case 'f64':
      return new Float64Array(count);
  }
}

/** The bytes of a column's entries from … to, as a copy of their own. */
export function bytesOf(column: Column, from: number, to: number): Uint8Array {
  const part = column.subarray(from, to);
  return new Uint8Array(part.buffer.slice(part.byteOffset, part.byteOffset + part.byteLength) as ArrayBuffer);
}

/** Adler-32 of the bytes: cheap, and enough to notice a damaged blob. */
export function checksum(bytes: Uint8Array): number {
  let a = 1;
  let b = 0;
  for (let i = 0; i < bytes.length;) {
    const end = Math.min(i + 3800, bytes.length);
    for (; i < end; i++) {
      a += bytes[i]!;
      b += a;
    }
    a %= 65_521;
    b %= 65_521;
  }
  return b * 65_536 + a;
}

/** What all columns together say, as one short text: the same facts have the same, and only they. */
export function hashOf(columns: Columns): string {
  const hash = createHash('sha1');
  for (const name of Object.keys(columns).sort()) {
    const column = columns[name]!;
    hash.update(`${name} ${typeOf(column)} ${column.length}\n`);
    hash.update(new Uint8Array(column.buffer, column.byteOffset, column.byteLength));
  }
  return hash.digest('base64url');
}

/** Joins columns of the same names end to end. */
export function joinColumns(parts: readonly Columns[]): Columns {
  const joined: Columns = {};
  for (const name of Object.keys(parts[0] ?? {})) {
    const type = typeOf(parts[0]![name]!);
    const whole = emptyColumn(
      type,
      parts.reduce((sum, part) => sum + part[name]!.length, 0),
    );
    let at = 0;
    for (const part of parts) {
      whole.set(part[name]!, at);
      at += part[name]!.length;
    }
    joined[name] = whole;
  }
  return joined;
}
