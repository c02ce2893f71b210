/** One step of an ordered stack, known by its id. */
export interface NamedStep {
  id: string;
}

export type Merged<Step> = { merged: Step[] } | { clashes: string[] };

/**
 * Two people have changed one stack of steps from the same beginning: what only one of them touched is taken from that
 * one. A step that both changed to different things, or an order that both changed differently, is a clash.
 * @param base the stack that both began with
 * @param mine, theirs what each made of it
 * @param same whether two steps of one id say the same
 * @returns the stack with both changes, or the ids of the steps that clash; `order` where the order does
 */
export function mergeSteps<Step extends NamedStep>(
  base: readonly Step[],
  mine: readonly Step[],
  theirs: readonly Step[],
  same: (a: Step, b: Step) => boolean,
): Merged<Step> {
  const of = (steps: readonly Step[]) => new Map(steps.map((step) => [step.id, step]));
  const [b, m, t] = [of(base), of(mine), of(theirs)];
  const alike = (x: Step | undefined, y: Step | undefined): boolean =>
    x === undefined || y === undefined ? x === y : same(x, y);
  const kept = new Map<string, Step>();
  const clashes: string[] = [];
  for (const id of new Set([...b.keys(), ...m.keys(), ...t.keys()])) {
    const [was, ours, others] = [b.get(id), m.get(id), t.get(id)];
    const changedHere = !alike(was, ours);
    if (changedHere && !alike(was, others) && !alike(ours, others)) clashes.push(id);
    const step = changedHere ? ours : others;
    if (step !== undefined) kept.set(id, step);
  }
  const common = base.map(({ id }) => id).filter((id) => m.has(id) && t.has(id));
  const orderIn = (steps: readonly Step[]) => steps.map(({ id }) => id).filter((id) => common.includes(id));
  const [mineOrder, theirOrder] = [orderIn(mine), orderIn(theirs)];
  const movedHere = mineOrder.join('\n') !== common.join('\n');
  const movedThere = theirOrder.join('\n') !== common.join('\n');
  if (movedHere && movedThere && mineOrder.join('\n') !== theirOrder.join('\n')) clashes.push('order');
  if (clashes.length > 0) return { clashes };
  const [first, second] = movedHere ? [mine, theirs] : [theirs, mine];
  const order = woven(
    first.map(({ id }) => id),
    second.map(({ id }) => id),
  );
  return { merged: order.flatMap((id) => kept.get(id) ?? []) };
}

/** The first order with what only the second has put after whatever it follows there. */
function woven(first: readonly string[], second: readonly string[]): string[] {
  const order = [...first];
  second.forEach((id, at) => {
    if (order.includes(id)) return;
    const before = second
      .slice(0, at)
      .reverse()
      .find((other) => order.includes(other));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id);
  });
  return order;
}

/**
 * Two people have changed one set: what either added is in, what either took out is not.
 * @returns in the order of theirs, what was added here at the end
 */
export function mergeSets<T>(base: readonly T[], mine: readonly T[], theirs: readonly T[]): T[] {
  const [was, ours, others] = [new Set(base), new Set(mine), new Set(theirs)];
  return [
    ...theirs.filter((item) => ours.has(item) || !was.has(item)),
    ...mine.filter((item) => !was.has(item) && !others.has(item)),
  ];
}
