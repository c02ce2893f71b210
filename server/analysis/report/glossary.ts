import { GLOSSARY } from '@opsimath/core/glossary';
import type { WriteSection } from './ground';

/** Words used and what they mean. */
export const glossary: WriteSection = async (_, { id }) =>
  Promise.resolve({
    short: [],
    blocks: [
      {
        kind: 'table',
        id: `words-${id}`,
        title: 'Words used',
        columns: [
          { key: 'word', name: 'Word', kind: 'text' },
          { key: 'meaning', name: 'Meaning', kind: 'text' },
        ],
        rows: GLOSSARY.filter(({ inReport }) => inReport).map(({ word, meaning }, n) => ({
          key: `m${n}`,
          cells: [word, meaning],
        })),
        empty: 'None.',
      },
    ],
  });
