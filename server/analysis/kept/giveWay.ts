import { performance } from 'node:perf_hooks';

/** Long work lets others through this often. */
const SLICE_MS = 15;

/**
 * Lets questions through that are quicker than what is being worked out: call it between the steps of a long loop. It waits
 * for nothing, unless the last time is long enough ago.
 */
export function givingWay(): () => Promise<void> {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < SLICE_MS) return;
    await new Promise((resolve) => setImmediate(resolve));
    since = performance.now();
  };
}
