import { keywordIdsOfKeys } from '../../data/keywords';
import { parentOf, placeIdsByAddress } from '../../data/places';
import type { Database } from '../../data/storage/connection';
import { coveringTarget, listTargets } from '../../data/targets';
import type { RankingsPart } from './rankingsColumns';

/** What the numbers of a file's keywords and addresses stand for, as far as its parts have told. */
export class FileNumbers {
  /** Keyword ids by number. */
  keyword = new Int32Array(0);
  /** Places, and indices into `subjects`, by the number of the address. */
  place = new Int32Array(0);
  subject = new Int32Array(0);
  readonly subjects: string[] = [];
  private readonly subjectSlots = new Map<string, number>();
  private addresses = 0;

  async take(
    database: Database,
    marketId: number,
    { restart, keys, keySlots, texts, addresses }: RankingsPart,
    subjectOf: (address: string) => string,
  ): Promise<void> {
    if (restart) this.addresses = 0;
    const ids = await keywordIdsOfKeys(database, marketId, keys, (at) => texts[at] ?? keys[at]!);
    this.keyword = longer(this.keyword, keySlots.reduce((most, slot) => Math.max(most, slot), 0) + 1);
    ids.forEach((id, at) => (this.keyword[keySlots[at]!] = id));
    const places = await placeIdsByAddress(database, addresses);
    this.place = longer(this.place, this.addresses + addresses.length);
    this.subject = longer(this.subject, this.addresses + addresses.length);
    for (const address of addresses) {
      const slot = this.addresses++;
      this.place[slot] = places.get(address) ?? 0;
      const subject = subjectOf(address);
      let known = this.subjectSlots.get(subject);
      if (known === undefined) this.subjectSlots.set(subject, (known = this.subjects.push(subject) - 1));
      this.subject[slot] = known;
    }
  }
}

/** A column with room for so many entries at least. */
function longer(column: Int32Array<ArrayBuffer>, size: number): Int32Array<ArrayBuffer> {
  if (size <= column.length) return column;
  const next = new Int32Array(Math.max(size, column.length * 2));
  next.set(column);
  return next;
}

/** For whom an address counts: the project's target that covers it, else its host. */
export async function subjectFinder(
  database: Database,
  projectId: number,
): Promise<(address: string) => string> {
  const targets = await listTargets(database, projectId);
  const subjects = new Map<string, string>();
  return (address) => {
    let subject = subjects.get(address);
    if (subject === undefined) {
      const parent = parentOf(address);
      subject = coveringTarget(targets, address, parent)?.address ?? parent ?? address;
      subjects.set(address, subject);
    }
    return subject;
  };
}
