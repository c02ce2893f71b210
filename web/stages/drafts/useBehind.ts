import type { Draft } from '@opsimath/contract/api/drafts';
import { useDeferredValue, useEffect, useState } from 'react';

/** Copy of more characters is looked through when the typing rests, shorter copy behind every key. */
const LONG = 20_000;
const REST_MS = 120;

/** A draft a little behind the typing, for what is said of it: letters come first. */
export function useBehind(copy: Draft): Draft {
  const [rested, rest] = useState(copy);
  const isLong = Object.values(copy.fields).reduce((sum, text) => sum + text.length, 0) > LONG;
  useEffect(() => {
    if (!isLong) return;
    const timer = setTimeout(() => rest(copy), REST_MS);
    return () => clearTimeout(timer);
  }, [copy, isLong]);
  return useDeferredValue(isLong ? rested : copy);
}
