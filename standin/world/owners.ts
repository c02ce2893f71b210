import type { Surface } from '@opsimath/contract/source/answers';
import { Draws, hashText, mix } from '../random';
import type { Scenario } from './scenario';

/** A site, channel or shop, with what search knows of it as a whole. */
export interface Owner {
  name: string;
  /** Host of a site; address of a channel or shop on its platform. */
  address: string;
  surface: Surface;
  /** brand, retailer, magazine… */
  kind: string;
  authority: number;
  /** How many pages, videos or listings it has. */
  documents: number;
  advertises: number;
  /** Share of the products it deals in. */
  breadth: number;
  referringDomains: number;
  backlinks: number;
  /** Share of links that are worth nothing, 0–1. */
  poorLinks: number;
}

type Sketch = Pick<
  Owner,
  'name' | 'address' | 'surface' | 'kind' | 'authority' | 'documents' | 'advertises' | 'breadth'
>;

/** The named owners of the scenario and the crowd around them, on every surface. `size` scales what they have. */
export function gatherOwners(scenario: Scenario, seed: number, size: number): Owner[] {
  return [...sites(scenario, seed), ...platformOwners(scenario, seed)].map((owner) => {
    const draws = new Draws(mix(seed + 11, hashText(owner.address)));
    const referringDomains = Math.round(Math.exp(owner.authority / 9 + draws.between(-0.3, 0.3)) + 3);
    // A few have bought themselves links that nobody follows.
    const bought = draws.next() < 0.08 ? draws.between(6, 14) : 1;
    return {
      ...owner,
      documents: Math.max(3, Math.round(owner.documents * size)),
      referringDomains: Math.round(referringDomains * (bought > 1 ? 3 : 1)),
      backlinks: Math.round(referringDomains * draws.between(3, 30) * bought),
      poorLinks: Math.round((bought > 1 ? draws.between(0.5, 0.8) : draws.between(0.02, 0.4)) * 100) / 100,
    };
  });
}

/** How the address of a channel or shop, and of what it holds, is made from names and ids. */
export const PLATFORM_PATHS = {
  video: { target: '/watch/{id}', parent: '/on/{id}', idStart: 'vl-' },
  marketplace: { target: '/item/{id}', parent: '/stall/{id}', idStart: 'sb-' },
} as const;

export function slugOf(name: string): string {
  return name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
}

function sites(scenario: Scenario, seed: number): Sketch[] {
  const named = scenario.owners.map(({ host, pages, ...owner }) => ({
    ...owner,
    address: host,
    documents: pages,
    surface: 'web' as const,
  }));
  const crowd = Object.entries(scenario.ownerNames)
    .filter(([kind]) => !['rider', 'stall'].includes(kind))
    .flatMap(([kind, names]) =>
      names.map((name) => {
        const draws = new Draws(mix(seed, hashText(name)));
        const table = scenario.ownerKinds[kind]!;
        return {
          name,
          address: `${name.toLowerCase().replace(/[^a-z0-9]+/g, '')}.example`,
          surface: 'web' as const,
          kind,
          authority: Math.round(draws.between(...table.authority)),
          documents: draws.whole(...table.pages),
          advertises: draws.next() < table.advertises ? draws.between(0.2, 0.9) : 0,
          breadth: draws.between(0.3, 1),
        };
      }),
    );
  return [...named, ...crowd];
}

/** Channels and shops: the named owners', and those of the kinds that the surface has. */
function platformOwners(scenario: Scenario, seed: number): Sketch[] {
  return (['video', 'marketplace'] as const).flatMap((surface) => {
    const table = scenario.surfaces[surface];
    if (!table) return [];
    const addressOf = (name: string): string =>
      table.platform + PLATFORM_PATHS[surface].parent.replace('{id}', slugOf(name));
    const named = scenario.owners.flatMap((owner): Sketch[] => {
      const found = scenario.named[surface]?.[owner.name];
      if (!found) return [];
      const { name, kind, advertises, breadth } = owner;
      const [authority, documents] = found;
      return [{ name, kind, advertises, breadth, authority, documents, surface, address: addressOf(name) }];
    });
    const crowd = Object.entries(table.kinds).flatMap(([kind, range]) =>
      (scenario.ownerNames[kind] ?? []).map((name): Sketch => {
        const draws = new Draws(mix(seed + 5, hashText(surface + name)));
        const kinds = scenario.ownerKinds[kind]!;
        return {
          name,
          address: addressOf(name),
          surface,
          kind,
          authority: Math.round(draws.between(...kinds.authority)),
          documents: draws.whole(...range),
          advertises: draws.next() < kinds.advertises ? draws.between(0.2, 0.9) : 0,
          breadth: draws.between(0.25, 0.9),
        };
      }),
    );
    return [...named, ...crowd];
  });
}
