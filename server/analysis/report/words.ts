import { coverageRequest } from '@opsimath/contract/api/coverage';
import { say } from '@opsimath/core/report/passages';
import { key, words as wordsOf } from '@opsimath/core/text/key';
import { stem } from '@opsimath/core/text/stems';
import type { Comparison } from '../comparison/comparison';
import { targetCoverage } from '../questions/targetCoverage';
import { type WriteSection, nothingToSay } from './ground';
import { subjectOf } from './subject';

const USUAL = 25;

/** Words that keywords of others on the front need, and that the target does not have. */
export const words: WriteSection = async (ground, { id, settings }) => {
  const { workspace, projectId, scope, figures, comparison } = ground;
  const target = await subjectOf(ground);
  if (!target) return nothingToSay('No own target stands on this surface.');
  const { market, date } = scope;
  const coverage = await targetCoverage(
    workspace,
    projectId,
    target.id,
    coverageRequest.parse({ market, date, keywords: 'rivals' }),
  );
  const held = stemsOf(comparison, target.parent === null);
  const missing = coverage.words.filter(
    ({ word, fields }) =>
      fields.every((state) => state === 'missing') && !held.has(stem(word, comparison.market.language)),
  );
  const shown = missing.slice(0, settings.most ?? USUAL);
  const table = `lacks-${id}`;
  return {
    short:
      coverage.compared === 0
        ? []
        : [
            say`Held against ${figures.of(`${id}.compared`, 'count', coverage.compared, `${table}:all`, 'keywords of others')} keywords for which others stand on the first page, its own text lacks ${figures.of(`${id}.missing`, 'count', missing.length, `${table}:all`, 'words it lacks')} words that they need.`,
          ],
    blocks: [
      {
        kind: 'table',
        id: table,
        title: 'Words that it lacks',
        columns: [
          { key: 'word', name: 'Word', kind: 'text' },
          { key: 'keywords', name: 'Keywords that need it', kind: 'count' },
          { key: 'volume', name: 'Their searches a month', kind: 'count' },
        ],
        rows: [
          ...shown.map(({ word, keywords, volume }) => ({ key: word, cells: [word, keywords, volume] })),
          {
            key: 'all',
            cells: [`${shown.length} of ${missing.length} words`, coverage.compared, null],
          },
        ],
        caption:
          target.parent === null
            ? 'Against its public record, and the titles and descriptions of all of its pages that were seen.'
            : 'Against title, description and the other fields of its public record.',
        empty: 'It lacks no word that they need.',
      },
    ],
  };
};

/** Stems of all that was seen of a whole site, channel or shop; of one page its record says everything. */
function stemsOf({ sides, market }: Comparison, isWhole: boolean): ReadonlySet<string> {
  if (!isWhole) return new Set();
  return new Set(
    sides.ownPlaces.flatMap(({ title, description }) =>
      wordsOf(key(`${title} ${description}`)).map((word) => stem(word, market.language)),
    ),
  );
}
