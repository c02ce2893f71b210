import { key } from '@opsimath/core/text/key';
import type { FinderTask, Finding } from '../findKeywords';

/** Keywords that were given: the same, in the same order, nothing added. */
export async function findListed({ lookUp }: FinderTask): Promise<Finding> {
  const { keywords } = lookUp.request;
  const useless = keywords.filter((text) => key(text) === '');
  const message =
    useless.length > 0
      ? `${useless.length} lines hold no letter or number: ${useless.slice(0, 5).join(', ')}`
      : null;
  return { found: keywords.map((text) => ({ text, count: 0 })), units: 0, message };
}
