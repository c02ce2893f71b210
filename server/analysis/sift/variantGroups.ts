import type { VariantGroups } from '@opsimath/core/sift/variantGroups';
import { key } from '@opsimath/core/text/key';
import { keywordKeysText } from '../../data/keywordKeys';
import { marketTranslations } from '../../data/translations';
import { variantChoices } from '../../data/variantChoices';
import { KnownProblem } from '../../problems/problem';
import type { NamedPool } from '../pool/pool';
import { contentName } from '../kept/contentName';
import type { Workspace } from '../kept/workspace';
import { inWordWorker } from '../words/inWordWorker';

/** More keywords than this are narrowed by the recipe first. */
const MOST_KEYWORDS = 100_000;

/** One byte a keyword of a pool: 1 for the main keyword of each group of variants. */
export async function mainVariants(workspace: Workspace, named: NamedPool): Promise<Uint8Array> {
  const { main } = await variantGroups(workspace, named, Array.from(named.pool.ids.keys()));
  return Uint8Array.from(main, (root, n) => (root === n ? 1 : 0));
}

/** What comes through a recipe in groups of variants (method §13); numbers are places in `indices`. */
export async function variantGroups(
  workspace: Workspace,
  { pool, name, revisions }: NamedPool,
  indices: readonly number[],
): Promise<VariantGroups> {
  if (indices.length > MOST_KEYWORDS)
    throw new KnownProblem(
      'too-many-for-variants',
      `${indices.length} keywords come through; variants are found among up to ${MOST_KEYWORDS}.`,
      'Narrow them by a sieve first.',
    );
  const { database } = workspace;
  const { id: marketId, language } = pool.market;
  return workspace.keep('variants', revisions, [name, contentName(indices)], async () => {
    const choices = await variantChoices(database, pool.projectId, marketId);
    const translated = await marketTranslations(database, marketId, language);
    const { ids: market } = await workspace.alphabetical(pool.market, revisions);
    const ids = indices.map((i) => pool.ids[i]!);
    const numberOf = new Map(ids.map((id, n) => [id, n]));
    const byHand = new Map<number, number>();
    for (const { keyword, under } of choices) {
      const [n, m] = [numberOf.get(keyword), numberOf.get(under)];
      // What belongs under a keyword that did not come through stays apart.
      if (n !== undefined) byHand.set(n, m ?? n);
    }
    const translations = new Map<number, string>();
    for (const [id, text] of translated) {
      const n = numberOf.get(id);
      if (n !== undefined) translations.set(n, key(text));
    }
    return inWordWorker('variants', {
      keys: await keywordKeysText(database, marketId, ids),
      volumes: Float64Array.from(ids, (id) => pool.metrics.volume[id - pool.base]!),
      among: {
        keys: await keywordKeysText(database, marketId, market),
        volumes: Float64Array.from(market, (id) => pool.metrics.volume[id - pool.base] ?? NaN),
      },
      language,
      translations,
      byHand,
    });
  });
}
