let last: Promise<unknown> = Promise.resolve();

/** Does something once all that was given before has ended, well or not. */
export function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const done = last.then(work);
  last = done.catch(() => undefined);
  return done;
}
