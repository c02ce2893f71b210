import type { AddressReader } from './address';

/** What is open in Roster. */
export interface RosterScope {
  /** Target whose panel is open. */
  target: number | null;
  /** Seed keyword whose front is shown. */
  seed: string;
}

export function readRoster(address: AddressReader): RosterScope {
  return { target: address.id('target'), seed: address.text('seed') };
}
