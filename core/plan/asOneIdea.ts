import type { Served, Work } from './workList';

/**
 * Several pieces of work as one: one target for all their keywords (method §11). The lead is that of the most valuable; each
 * keyword’s gain counts once, its greatest; effort and cost are the greatest of any of them, for it is one page that is written.
 *
 * @param works at least one, of one action
 */
export function asOneIdea(works: readonly Work[]): Work {
  const first = works.reduce((best, one) => (one.value > best.value ? one : best));
  const serves = new Map<number, Served>();
  for (const served of works.flatMap((work) => work.serves)) {
    const known = serves.get(served.entry);
    if (!known || served.clicks > known.clicks) serves.set(served.entry, served);
  }
  const cost = Math.max(...works.map((work) => work.cost));
  const effort = Math.max(...works.map((work) => work.effort));
  const value = [...serves.values()].reduce((sum, served) => sum + served.value, 0) - cost;
  return {
    ...first,
    serves: [...serves.values()].sort(
      (a, b) => Number(b.entry === first.lead) - Number(a.entry === first.lead) || b.value - a.value,
    ),
    cost,
    effort,
    value,
    priority: value / effort,
  };
}
