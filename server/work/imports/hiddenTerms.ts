import { setPrivateFields } from '../../data/targets';
import type { StoreMaker } from './stores';

/** Hidden search terms and channel keywords of own targets; lines of one target are joined. */
export const hiddenTermsStore: StoreMaker<'hidden terms'> = async ({ database }, entry, market) => {
  const gathered = new Map<string, string[]>();
  const name = market.surface === 'video' ? 'channel keywords' : 'hidden search terms';
  return {
    async statements(rows) {
      for (const { page, terms } of rows) {
        const known = gathered.get(page) ?? [];
        gathered.set(page, [...known, ...terms.split(/\s*[;,|]\s*/).filter(Boolean)]);
      }
      const entries = [...new Set(rows.map(({ page }) => page))].map((address) => ({
        address,
        name,
        value: [...new Set(gathered.get(address)!)].join('\n'),
      }));
      const missing = new Set(await setPrivateFields(database, entry.projectId, entries));
      const refused = rows.flatMap(({ page }, index) =>
        missing.has(page)
          ? [{ index, reason: `${page} is no own target of this project: add it first` }]
          : [],
      );
      return { statements: [], refused };
    },
    finish: async () => undefined,
  };
};
