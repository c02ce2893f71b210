import type { GapQueryRead } from '@opsimath/contract/api/gapQuery';
import { type VariantLines, variantLines } from '@opsimath/core/gap/variantLines';
import { keywordKeysText } from '../../data/keywordKeys';
import type { Filtered } from '../comparison/gapFilter';
import type { OpenComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';
import { inWordWorker } from '../words/inWordWorker';

/** Among more compared keywords than this, close variants are not put together: each stays on a line of its own. */
const MOST_KEYWORDS = 50_000;

/** A comparison with its rows in an order, and which of them pass. */
export interface OrderedRows extends OpenComparison {
  order: Int32Array;
  filtered: Filtered;
}

/** Lines made lately of what passes in an order: going through the table makes none twice. */
const kept = new WeakMap<Filtered, WeakMap<Int32Array, VariantLines>>();

/** What passes in its order, close variants on the line of the one that comes first; `null` where each keyword has its own. */
export async function linesOfGaps(
  workspace: Workspace,
  { comparison, name, revisions, order, filtered }: OrderedRows,
  { variants }: GapQueryRead,
): Promise<VariantLines | null> {
  const { keywords, market } = comparison;
  if (variants === undefined || keywords.length > MOST_KEYWORDS) return null;
  let lines = kept.get(filtered)?.get(order);
  if (lines === undefined) {
    const groups = await workspace.keep('close variants', revisions, [name], async () =>
      inWordWorker('close variants', {
        keys: await keywordKeysText(workspace.database, market.id, keywords),
        language: market.language,
      }),
    );
    lines = variantLines(
      order.filter((i) => filtered.passes[i] !== 0),
      (i) => groups[i]!,
    );
    const ofFilter = kept.get(filtered) ?? new WeakMap<Int32Array, VariantLines>();
    kept.set(filtered, ofFilter.set(order, lines));
  }
  return lines;
}
