import { countStems, likeness, stemVector } from '@opsimath/core/text/likeness';
import { placeVersions } from '../../data/places';
import { listTargets } from '../../data/targets';
import { wordsOf } from '../../data/records';
import { capturedVersions } from './capturedVersions';
import type { NamedPool } from './pool';
import type { Workspace } from '../kept/workspace';

/**
 * Nearness of each keyword of a pool to what we offer: mean likeness of our target to those of its front, 0–1, by the
 * titles and descriptions that were captured. Of several own targets the one that is nearest counts. NaN without a
 * capture, or without a record of an own target.
 */
export function poolNearness(
  workspace: Workspace,
  { pool, name, revisions }: NamedPool,
): Promise<Float32Array> {
  const { database } = workspace;
  return workspace.keep('nearness', revisions, [name], async () => {
    const fronts = await capturedVersions(workspace, pool, (position) => position <= pool.settings.front);
    const nearness = new Float32Array(pool.ids.length).fill(NaN);
    const own = (await listTargets(database, pool.projectId)).filter(
      ({ side, surface, record }) => side === 'own' && surface === pool.market.surface && record !== null,
    );
    if (own.length === 0) return nearness;
    const versions = await placeVersions(database, new Set([...fronts.values()].flat()));
    const texts = new Map(
      [...versions].map(([id, { title, description }]) => [id, `${title} ${description}`]),
    );
    const { language } = pool.market;
    const counts = countStems([...texts.values()], language);
    const ours = own.map(({ record, facts }) => stemVector(wordsOf(record!, facts), language, counts));
    const likenesses = new Map(
      [...texts].map(([id, text]) => {
        const vector = stemVector(text, language, counts);
        return [id, ours.map((mine) => likeness(mine, vector))];
      }),
    );
    for (const [i, ids] of fronts) {
      const held = ids.flatMap((id) => (likenesses.has(id) ? [likenesses.get(id)!] : []));
      if (held.length === 0) continue;
      nearness[i] = Math.max(
        ...ours.map((_, t) => held.reduce((sum, values) => sum + values[t]!, 0) / held.length),
      );
    }
    return nearness;
  });
}
