import { KnownProblem } from '../problems/problem';

/** While the services are away a draft can be written; what stands now is not known then. */
export function whereAway(error: unknown): null {
  if (error instanceof KnownProblem) return null;
  throw error;
}
