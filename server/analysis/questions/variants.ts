import type { VariantPage, variantQuery } from '@opsimath/contract/api/variants';
import { VARIANT_LINKS } from '@opsimath/core/sift/variantGroups';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { key } from '@opsimath/core/text/key';
import { LANGUAGES } from '@opsimath/core/text/languages';
import type { z } from 'zod';
import { keywordKeys } from '../../data/keywordKeys';
import { keywordsById } from '../../data/keywords';
import { marketTranslations } from '../../data/translations';
import type { NamedPool, Pool } from '../pool/pool';
import { poolLanguages } from '../pool/poolWords';
import { openSift } from '../sift/openSift';
import { variantGroups } from '../sift/variantGroups';
import type { Workspace } from '../kept/workspace';

const MOST_MEMBERS = 100;
const MOST_UNTRANSLATED = 5000;
/** In larger pools nobody is told which of a group could be translated: that would take longer than the groups. */
const MOST_SPOKEN = 200_000;

type Query = z.output<typeof variantQuery>;

/** What comes through a recipe in groups of variants (method §13), the most searched together first. */
export async function variantPage(
  workspace: Workspace,
  lookUpId: number,
  query: Query,
): Promise<VariantPage> {
  const opened = await openSift(workspace, lookUpId, query);
  const { pool, judged, stack } = opened;
  const indices = Array.from(stack.passes.keys()).filter((i) => stack.passes[i] === 1);
  const { main, link } = await variantGroups(workspace, opened, indices);
  const volumeAt = (n: number): number => pool.metrics.volume[pool.ids[indices[n]!]! - pool.base]!;
  const groups = gather(main, (n) => volumeAt(n) || 0);
  const shown = await found(workspace, pool, indices, groups, query.find);
  const page = shown.slice(query.offset, query.offset + query.limit);
  const ids = page.flatMap(({ members }) =>
    members.slice(0, MOST_MEMBERS).map((n) => pool.ids[indices[n]!]!),
  );
  const texts = await keywordsById(workspace.database, ids);
  const translations = await marketTranslations(workspace.database, pool.market.id, pool.market.language);
  return {
    groups: groups.length,
    total: shown.length,
    keywords: indices.length,
    grouped: groups.reduce((sum, { members }) => sum + members.length, 0),
    untranslated: await untranslated(workspace, opened, indices, translations),
    rows: page.map(({ members, volume }) => ({
      volume,
      keywords: members.length,
      members: members.slice(0, MOST_MEMBERS).map((n) => {
        const i = indices[n]!;
        const id = pool.ids[i]!;
        return {
          id,
          text: texts.get(id)!.text,
          volume: Number.isNaN(volumeAt(n)) ? null : volumeAt(n),
          verdict: VERDICTS[judged.codes[i]!]!,
          link: VARIANT_LINKS[link[n]!]!,
          best: bestOf(pool, i),
          translation: translations.get(id) ?? null,
        };
      }),
    })),
  };
}

interface Group {
  members: number[];
  volume: number;
}

/** Groups of two and more, the most searched together first; in each the main keyword first. */
function gather(main: Int32Array, volumeOf: (n: number) => number): Group[] {
  const byMain = new Map<number, number[]>();
  main.forEach((root, n) => {
    const members = byMain.get(root);
    if (members) members.push(n);
    else byMain.set(root, [n]);
  });
  return [...byMain]
    .filter(([, members]) => members.length > 1)
    .map(([root, members]) => ({
      members: members.sort(
        (a, b) => Number(b === root) - Number(a === root) || volumeOf(b) - volumeOf(a) || a - b,
      ),
      volume: members.reduce((sum, n) => sum + volumeOf(n), 0),
    }))
    .sort((a, b) => b.volume - a.volume || a.members[0]! - b.members[0]!);
}

async function found(
  { database }: Workspace,
  pool: Pool,
  indices: readonly number[],
  groups: Group[],
  find: string,
): Promise<Group[]> {
  const sought = key(find);
  if (sought === '') return groups;
  const numbers = groups.flatMap(({ members }) => members);
  const keys = await keywordKeys(
    database,
    pool.market.id,
    numbers.map((n) => pool.ids[indices[n]!]!),
  );
  const holds = new Set(numbers.filter((_, at) => keys[at]!.includes(sought)));
  return groups.filter(({ members }) => members.some((n) => holds.has(n)));
}

/** Keywords of another language that nobody has translated yet. */
async function untranslated(
  workspace: Workspace,
  named: NamedPool,
  indices: readonly number[],
  translations: ReadonlyMap<number, string>,
): Promise<VariantPage['untranslated']> {
  const { pool } = named;
  if (pool.ids.length > MOST_SPOKEN) return [];
  const { codes } = await poolLanguages(workspace, named);
  const foreign: VariantPage['untranslated'] = [];
  for (const i of indices) {
    const from = LANGUAGES[codes[i]! - 1];
    const keyword = pool.ids[i]!;
    if (from === undefined || from === pool.market.language || translations.has(keyword)) continue;
    if (foreign.push({ keyword, from }) === MOST_UNTRANSLATED) break;
  }
  return foreign;
}

function bestOf({ organic }: Pool, i: number): number | null {
  const places = organic.map((column) => column[i]!).filter((position) => position > 0);
  return places.length > 0 ? Math.min(...places) : null;
}
