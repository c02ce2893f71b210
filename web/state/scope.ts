import { AddressReader } from './scope/address';
import { type BarScope, NO_COMPARE, USUAL_PERIOD, readBar } from './scope/barScope';
import { type GapScope, USUAL_ORDER, readGaps } from './scope/gapScope';
import { type PlanScope, readPlan } from './scope/planScope';
import { type PoolScope, readPool } from './scope/poolScope';
import { type RosterScope, readRoster } from './scope/rosterScope';
import { type SiftScope, readSift } from './scope/siftScope';

export { NO_COMPARE } from './scope/barScope';
export { scopeDefaults } from './scope/scopeDefaults';

/** Everything that a view shows, as it stands in the address, so that a link reopens it: the bar's part and each stage's. */
export interface Scope extends BarScope, RosterScope, PoolScope, SiftScope, GapScope, PlanScope {}

/** Values that are not written into the address. */
const USUAL: Partial<Record<keyof Scope, string>> = {
  sort: USUAL_ORDER,
  poolMode: 'any word',
  own: USUAL_PERIOD,
};

/** Reads a scope from an address. What makes no sense is as if it were not there. */
export function readScope(params: URLSearchParams): Scope {
  const address = new AddressReader(params);
  return {
    ...readBar(address),
    ...readRoster(address),
    ...readPool(address),
    ...readSift(address),
    ...readGaps(address),
    ...readPlan(address),
  };
}

/** Writes changes into an address, leaving the rest of it as it is. Empty values are taken out. */
export function writeScope(params: URLSearchParams, change: Partial<Scope>): URLSearchParams {
  const next = new URLSearchParams(params);
  const current = readScope(params);
  const merged = { ...current, ...change };
  const set = (name: string, value: string): void =>
    value === '' ? next.delete(name) : next.set(name, value);
  for (const name of Object.keys(change) as (keyof Scope)[]) {
    const value = merged[name];
    const usual = USUAL[name];
    const written = Array.isArray(value) ? value.join(',') : value === null ? '' : String(value);
    set(name, written === usual ? '' : written);
  }
  return next;
}

/** The same address with another part of a stage open. */
export function searchWithView(search: string, view: string): string {
  return `?${writeScope(new URLSearchParams(search), { view }).toString()}`;
}

/** The compare-with date for questions to the API: nothing when comparing is switched off. */
export function comparedWith(scope: Pick<Scope, 'compare'>): string | undefined {
  return scope.compare === '' || scope.compare === NO_COMPARE ? undefined : scope.compare;
}
