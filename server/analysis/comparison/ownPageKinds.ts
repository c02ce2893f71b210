import { type PageKind, pageKind } from '@opsimath/core/text/pageKind';
import type { Comparison } from './comparison';

/** What kind of page each of our places is, by its id; empty on surfaces that have videos or listings instead. */
export function ownPageKinds({
  sides,
  market,
  project,
}: Pick<Comparison, 'sides' | 'market' | 'project'>): Map<number, PageKind> {
  if (market.surface !== 'web') return new Map();
  const { pagePaths, pageKinds } = project.settings;
  return new Map(sides.ownPlaces.map(({ id, address }) => [id, pageKind(address, pagePaths, pageKinds)]));
}
