import type { Problem } from '@opsimath/contract/api/problem';
import { type Middleware, isRejectedWithValue } from '@reduxjs/toolkit';

const listeners = new Set<(problem: Problem) => void>();

/** Calls back when a change is refused because somebody else has changed the same; gives what ends that. */
export function onClash(listener: (problem: Problem) => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** Whoever asked may not listen to the refusal: it is told in any case. */
export const hearClashes: Middleware = () => (next) => (action) => {
  if (isRejectedWithValue(action)) {
    const { data } = (action.payload ?? {}) as { data?: Problem };
    if (data?.code === 'changed-meanwhile') listeners.forEach((listener) => listener(data));
  }
  return next(action);
};
