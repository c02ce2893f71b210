import type { Task } from '@opsimath/contract/api/rounds';

/** Where a task goes that comes before another: half way from the one above it. Behind all others without one. */
export function placeBefore(
  tasks: readonly Pick<Task, 'id' | 'place'>[],
  before: number | undefined,
): number {
  const at = before === undefined ? -1 : tasks.findIndex(({ id }) => id === before);
  if (at < 0) return (tasks.at(-1)?.place ?? 0) + 1;
  const above = tasks[at - 1]?.place ?? tasks[at]!.place - 1;
  return (above + tasks[at]!.place) / 2;
}
