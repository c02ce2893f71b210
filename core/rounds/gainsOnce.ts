import type { Served, WorkCandidate } from '../plan/workList';

/**
 * What some pieces of work bring together (method §11): a keyword’s gain counts once, for the piece that brings it most
 * (of equal ones the earlier); what keywords lose counts always.
 *
 * @returns for each piece what it serves as it counts, in the given order, so that the values add up
 */
export function gainsOnce(
  works: readonly Pick<WorkCandidate, 'serves' | 'cost'>[],
): { serves: Served[]; value: number }[] {
  const winner = new Map<number, { work: number; value: number }>();
  works.forEach(({ serves }, work) => {
    for (const { entry, clicks, value } of serves) {
      const best = winner.get(entry);
      if (clicks > 0 && (best === undefined || value > best.value)) winner.set(entry, { work, value });
    }
  });
  return works.map(({ serves, cost }, work) => {
    const counted = serves.filter(({ entry, clicks }) => clicks <= 0 || winner.get(entry)!.work === work);
    return { serves: counted, value: counted.reduce((sum, { value }) => sum + value, 0) - cost };
  });
}

/** Value a month of some pieces of work together; see {@link gainsOnce}. */
export const valueTogether = (works: readonly Pick<WorkCandidate, 'serves' | 'cost'>[]): number =>
  gainsOnce(works).reduce((sum, { value }) => sum + value, 0);
