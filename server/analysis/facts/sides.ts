import type { RivalColumn } from '@opsimath/contract/api/gaps';
import type { Target } from '@opsimath/contract/api/targets';
import type { Surface } from '@opsimath/contract/source/answers';
import { rivalLetters } from '@opsimath/core/gap/letters';
import type { Database } from '../../data/storage/connection';
import { type PlaceRow, placesUnder } from '../../data/places';
import { MOST_RIVALS, listTargets } from '../../data/targets';

/** Who is compared: which places belong to us and to each rival. */
export interface Sides {
  own: Target[];
  ownName: string;
  ownPlaces: PlaceRow[];
  rivals: Omit<RivalColumn, 'looked'>[];
  /** One list a rival. */
  rivalPlaces: PlaceRow[][];
  /** By place id: bit 0 is ours, bit r + 1 is rival r. */
  masks: Uint32Array;
}

/** Those who can be met on one surface: channels are no rivals on the web. */
export async function gatherSides(database: Database, projectId: number, surface: Surface): Promise<Sides> {
  const targets = (await listTargets(database, projectId)).filter((target) => target.surface === surface);
  const own = targets.filter((target) => target.side === 'own');
  const rivals = targets.filter((target) => target.side === 'rival').slice(0, MOST_RIVALS);
  const letters = rivalLetters(rivals.map((rival) => rival.name));
  const ownPlaces = await placesUnder(
    database,
    own.map((target) => target.address),
  );
  const groups = [ownPlaces];
  for (const rival of rivals) groups.push(await placesUnder(database, [rival.address]));
  const most = groups.flat().reduce((top, place) => Math.max(top, place.id), 0);
  const masks = new Uint32Array(most + 1);
  groups.forEach((places, bit) => {
    for (const place of places) masks[place.id]! |= 1 << bit;
  });
  // A place of ours stays ours on a rival's host: our shop in somebody else's marketplace is no rival.
  for (const place of ownPlaces) masks[place.id] = 1;
  return {
    own,
    ownName: own[0]?.name ?? '',
    ownPlaces,
    rivals: rivals.map((rival, i) => ({
      id: rival.id,
      letter: letters[i]!,
      name: rival.name,
      address: rival.address,
    })),
    rivalPlaces: groups.slice(1),
    masks,
  };
}
