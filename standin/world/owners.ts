import { Draws, hashText, mix } from '../random';
import type { Scenario } from './scenario';

/** A site, with what search knows of it as a whole. */
export interface Owner {
  name: string;
  host: string;
  kind: string;
  authority: number;
  pages: number;
  advertises: number;
  /** Share of the products it deals in. */
  breadth: number;
  referringDomains: number;
  backlinks: number;
  /** Share of links that are worth nothing, 0–1. */
  poorLinks: number;
}

/** The named owners of the scenario and the crowd around them. `size` scales how many pages they have. */
export function gatherOwners(scenario: Scenario, seed: number, size: number): Owner[] {
  const named = scenario.owners.map((owner) => ({ ...owner }));
  const crowd = Object.entries(scenario.ownerNames).flatMap(([kind, names]) =>
    names.map((name) => {
      const draws = new Draws(mix(seed, hashText(name)));
      const table = scenario.ownerKinds[kind]!;
      return {
        name,
        host: `${name.toLowerCase().replace(/[^a-z0-9]+/g, '')}.example`,
        kind,
        authority: Math.round(draws.between(...table.authority)),
        pages: draws.whole(...table.pages),
        advertises: draws.next() < table.advertises ? draws.between(0.2, 0.9) : 0,
        breadth: draws.between(0.3, 1),
      };
    }),
  );
  return [...named, ...crowd].map((owner) => {
    const draws = new Draws(mix(seed + 11, hashText(owner.host)));
    const referringDomains = Math.round(Math.exp(owner.authority / 9 + draws.between(-0.3, 0.3)) + 3);
    return {
      ...owner,
      pages: Math.max(3, Math.round(owner.pages * size)),
      referringDomains,
      backlinks: Math.round(referringDomains * draws.between(3, 30)),
      poorLinks: Math.round(draws.between(0.02, 0.4) * 100) / 100,
    };
  });
}
