import { visitStatement } from '../../data/visits';
import type { StoreMaker } from './stores';

/** Visits by source and month: rows of one file that name the same add up, a newer file replaces what an older one says. */
export const visitsStore: StoreMaker<'visits'> = (_, entry) => {
  const sums = new Map<string, { month: string; source: string; visits: number }>();
  return Promise.resolve({
    statements: (rows) => {
      for (const { month, source, visits } of rows) {
        const name = `${month} ${source.toLowerCase()}`;
        const known = sums.get(name);
        if (known) known.visits += visits;
        else sums.set(name, { month, source, visits });
      }
      const statements = [...sums.values()].map((row) => visitStatement(entry.projectId, row));
      return Promise.resolve({ statements, refused: [] });
    },
    finish: () => Promise.resolve(),
  });
};
