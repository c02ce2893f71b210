import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { borrowedVolume, borrowingRatio } from '@opsimath/core/demand/borrowed';
import type { Database } from '../../data/storage/connection';
import type { Revisions } from '../../data/grounds';
import { sharedKeywords } from '../../data/keywords';
import { type MarketRow, listMarkets } from '../../data/markets';
import { volumesAt } from '../../data/volumes';
import type { Workspace } from '../kept/workspace';

/** Volumes that another surface of the same place and language lends where none is known here. */
export interface Borrowed {
  from: string;
  ratio: number;
  /** Keywords known on both surfaces, from which the ratio is. */
  pairs: number;
  /** Searches a month by keyword id, of keywords whose own volume is unknown. Estimated. */
  volumes: Map<number, number>;
}

/** What is made with borrowed volumes rests on the lenders' facts too, and goes by another name with them. */
export const lendersName = (
  { volumeBorrowed }: Pick<ProjectSettings, 'volumeBorrowed'>,
  revisions: Revisions,
): number => (volumeBorrowed ? revisions.lenders : 0);

/** {@link borrowedVolumes}, made once for what is held. */
export async function borrowedUntil(
  workspace: Workspace,
  market: MarketRow,
  date: string,
  revisions: Revisions,
): Promise<Borrowed | null> {
  const { found } = await workspace.keep(
    'borrowed',
    revisions,
    [market.id, date, revisions.lenders],
    async () => ({ found: await borrowedVolumes(workspace.database, market, date) }),
  );
  return found;
}

/**
 * What can be borrowed for a market as of a date: from the surface with most keywords known on both; `null` where there
 * are too few.
 */
async function borrowedVolumes(
  database: Database,
  market: MarketRow,
  date: string,
): Promise<Borrowed | null> {
  const others = (await listMarkets(database)).filter(
    ({ id, place, language }) => id !== market.id && place === market.place && language === market.language,
  );
  const here = await volumesAt(database, market.id, date);
  let best: Borrowed | null = null;
  for (const other of others) {
    const there = await volumesAt(database, other.id, date);
    if (there.size === 0) continue;
    const known: [number, number][] = [];
    const lacking: [number, number][] = [];
    for (const pair of await sharedKeywords(database, market.id, other.id)) {
      const lent = there.get(pair.there);
      if (lent === undefined) continue;
      const own = here.get(pair.here);
      if (own === undefined) lacking.push([pair.here, lent]);
      else known.push([own, lent]);
    }
    const found = borrowingRatio(known);
    if (found === null || (best !== null && found.pairs <= best.pairs)) continue;
    const volumes = new Map(lacking.map(([id, lent]) => [id, borrowedVolume(lent, found.ratio)]));
    best = { from: other.code, ...found, volumes };
  }
  return best;
}
