import { useEffect, useState } from 'react';

/** A value as it stood when it had not changed for a while, in ms: what is typed is asked for once, not letter by letter. */
export function useSettled<T>(value: T, after: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), after);
    return () => clearTimeout(timer);
  }, [value, after]);
  return settled;
}
