import { type HeldField, holdField } from '@opsimath/core/copy/heldFields';

const MOST = 40;
const kept = new Map<string, HeldField>();

/** A field as it is looked through; one whose text was not changed is not read again. */
export function heldOnce(name: string, text: string, language: string): HeldField {
  const id = JSON.stringify([name, language, text]);
  let held = kept.get(id);
  if (!held) {
    held = holdField(name, text, language);
    kept.set(id, held);
    if (kept.size > MOST) kept.delete(kept.keys().next().value!);
  }
  return held;
}
