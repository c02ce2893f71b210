import { createHash } from 'node:crypto';

/** A name for a set of rows or marks that no other set bears. */
export function contentName(content: Uint8Array | Int32Array | readonly number[]): string {
  const bytes =
    content instanceof Uint8Array || content instanceof Int32Array ? content : Int32Array.from(content);
  return createHash('sha1').update(bytes).digest('base64url');
}
