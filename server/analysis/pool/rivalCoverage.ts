import { key } from '@opsimath/core/text/key';
import { keywordKeys } from '../../data/keywordKeys';
import { placeVersions } from '../../data/places';
import { listTargets } from '../../data/targets';
import { capturedVersions } from './capturedVersions';
import type { NamedPool } from './pool';
import type { Workspace } from '../kept/workspace';

const OURS = 1;

/**
 * How many targets of rivals in each keyword's newest capture hold it whole in one field (method §12) that is known:
 * title, description, and what their public record says beside. NaN without a capture.
 */
export function poolRivalCoverage(
  workspace: Workspace,
  { pool, name, revisions }: NamedPool,
): Promise<Float32Array> {
  const { database } = workspace;
  return workspace.keep('rival coverage', revisions, [name], async () => {
    const { masks } = pool;
    const captured = await capturedVersions(
      workspace,
      pool,
      (_, place) => (masks[place] ?? 0) > 0 && ((masks[place] ?? 0) & OURS) === 0,
    );
    const records = new Map(
      (await listTargets(database, pool.projectId)).map(({ address, record }) => [address, record]),
    );
    const fields = new Map<number, string[]>();
    for (const [id, place] of await placeVersions(database, new Set([...captured.values()].flat()))) {
      const known = Object.values(records.get(place.address)?.fields ?? {});
      fields.set(
        id,
        [place.title, place.description, ...known].map((text) => ` ${key(text)} `),
      );
    }
    const indices = [...captured.keys()];
    const keys = await keywordKeys(
      database,
      pool.market.id,
      indices.map((i) => pool.ids[i]!),
    );
    const covering = new Float32Array(pool.ids.length).fill(NaN);
    indices.forEach((i, n) => {
      const whole = ` ${keys[n]!} `;
      covering[i] = captured
        .get(i)!
        .filter((id) => fields.get(id)?.some((field) => field.includes(whole))).length;
    });
    return covering;
  });
}
