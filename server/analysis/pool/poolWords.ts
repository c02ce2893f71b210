import { PURPOSE_WORDS, type PurposeWords } from '@opsimath/core/sift/purpose';
import { grain } from '@opsimath/core/text/containing';
import type { Containing } from '@opsimath/core/text/containing';
import { key } from '@opsimath/core/text/key';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { keywordKeysText } from '../../data/keywordKeys';
import { lookUpFinds } from '../../data/lookUps';
import { listTargets } from '../../data/targets';
import { type PageKind, pageKind } from '@opsimath/core/text/pageKind';
import { type FrontSigns, frontSigns } from './frontSigns';
import { inWordWorker } from '../words/inWordWorker';
import type { NamedPool, Pool } from './pool';
import { poolFigures } from './poolFigures';
import type { Workspace } from '../kept/workspace';

/** Keys of all keywords of a pool, in its order, with line ends between. */
export function poolKeys({ database }: Workspace, pool: Pool): Promise<string> {
  return keywordKeysText(database, pool.market.id, pool.ids);
}

/** The language of each keyword: index into LANGUAGES plus 1, 0 where nothing tells; confidence in percent. */
export function poolLanguages(
  workspace: Workspace,
  { pool, name, revisions }: NamedPool,
): Promise<{ codes: Uint8Array; confidence: Uint8Array }> {
  return workspace.keep('languages', revisions, [name], async () =>
    inWordWorker('languages', { keys: await poolKeys(workspace, pool), usual: pool.market.language }),
  );
}

/** In how many other keywords of the pool each stands as a phrase. */
export function poolContaining(
  workspace: Workspace,
  { pool, name, revisions }: NamedPool,
): Promise<Containing> {
  return workspace.keep('containing', revisions, [name], async () =>
    inWordWorker('containing', {
      keys: await poolKeys(workspace, pool),
      volumes: Float64Array.from(pool.ids, (id) => pool.metrics.volume[id - pool.base]!),
    }),
  );
}

/** Words of each keyword beyond the seed keywords of the look-up; NaN where it had none. */
export function poolGrains(
  workspace: Workspace,
  { pool, name, lookUpId, revisions }: NamedPool,
): Promise<Float32Array> {
  return workspace.keep('grains', revisions, [name], async () => {
    const finds = await lookUpFinds(workspace.database, lookUpId);
    const seeds = [...new Set(finds.flatMap(({ seed }) => (seed ? [key(seed)] : [])))];
    if (seeds.length === 0) return new Float32Array(pool.ids.length).fill(NaN);
    const keys = (await poolKeys(workspace, pool)).split('\n');
    return Float32Array.from(pool.ids, (_, i) => grain(keys[i]!, seeds));
  });
}

/** What the newest result pages say of the front of each keyword. */
export function poolSigns(workspace: Workspace, { pool, name, revisions }: NamedPool): Promise<FrontSigns> {
  const { front, pagePaths, pageKinds } = pool.settings;
  const kindOf = (address: string): PageKind => pageKind(address, pagePaths, pageKinds);
  return workspace.keep('signs', revisions, [name], () => frontSigns(workspace, pool, front, kindOf));
}

/** What tells the purpose of a pool's searches beside their words. */
interface PurposeMaterial {
  words: PurposeWords;
  names: string[];
  signs: FrontSigns;
  /** From which CPC on a click is dear. */
  dearFrom: number;
}

export function purposeMaterial(workspace: Workspace, named: NamedPool): Promise<PurposeMaterial> {
  return workspace.keep('purpose material', named.revisions, [named.name], () =>
    gatherMaterial(workspace, named, named.pool.settings.purposeWords),
  );
}

async function gatherMaterial(
  workspace: Workspace,
  named: NamedPool,
  own: PurposeWords,
): Promise<PurposeMaterial> {
  const { pool } = named;
  const language = LANGUAGES.find((code) => code === pool.market.language);
  const words = language === undefined ? { seek: [], weigh: [], learn: [] } : PURPOSE_WORDS[language];
  const targets = await listTargets(workspace.database, pool.projectId);
  const names = targets.flatMap(({ name, address }) => [key(name), key(address.split('.')[0]!)]);
  return {
    words: {
      seek: [...words.seek, ...own.seek.map(key)],
      weigh: [...words.weigh, ...own.weigh.map(key)],
      learn: [...words.learn, ...own.learn.map(key)],
    },
    names: [...new Set([...names, key(pool.market.placeName)])].filter((text) => text !== ''),
    signs: await poolSigns(workspace, named),
    dearFrom: dearFrom(poolFigures(pool, 'cpc'), pool.settings.thresholds.dearShare),
  };
}

/** The purpose of each search: index into PURPOSES. */
export function poolPurposes(workspace: Workspace, named: NamedPool): Promise<Uint8Array> {
  const { pool, name, revisions } = named;
  return workspace.keep('purposes', revisions, [name], async () => {
    const { words, names, signs, dearFrom: dear } = await purposeMaterial(workspace, named);
    return inWordWorker('purposes', {
      keys: await poolKeys(workspace, pool),
      words,
      names,
      paidSlots: Uint8Array.from(signs.paidSlots, (count) => (count === count ? Math.min(254, count) : 255)),
      dearClick: Int8Array.from(poolFigures(pool, 'cpc'), (cpc) => (cpc === cpc ? Number(cpc >= dear) : -1)),
      itemShare: signs.itemShare,
    });
  });
}

/** From which CPC on a click is among the dearest of the pool; NaN without any known. */
function dearFrom(cpc: ArrayLike<number>, share: number): number {
  const known = Float64Array.from(cpc)
    .filter((value) => value === value)
    .sort();
  return known.length === 0 ? NaN : (known[Math.floor(known.length * (1 - share))] ?? Infinity);
}
