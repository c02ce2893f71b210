import type { Ground } from '@opsimath/contract/api/grounds';
import { LRUCache } from 'lru-cache';
import type { Revisions } from '../../data/grounds';

/** What the gathered columns of a comparison rest on; lists, look-ups and tracking as far as its scope names them. */
const COMPARED: readonly Ground[] = ['projects', 'roster', 'facts', 'keywords', 'hand', 'auctions'];
const POOLED: readonly Ground[] = ['projects', 'roster', 'facts', 'keywords', 'lookUp'];

/**
 * What is kept in memory between questions: how many of each kind, and what each rests on. What is made of something kept
 * is named by that thing's name too, so it rests on all that this does.
 */
const KINDS = {
  comparison: { most: 6, grounds: COMPARED },
  /** Its name says which comparison. */
  work: { most: 6, grounds: [] },
  compared: { most: 12, grounds: ['facts', 'keywords', 'tracked'] },
  judged: { most: 6, grounds: ['verdicts', 'choices', 'words', 'new keywords'] },
  wary: { most: 6, grounds: ['words', 'keywords', 'new keywords', 'roster'] },
  names: { most: 6, grounds: ['new keywords', 'roster'] },
  order: { most: 24, grounds: [] },
  filter: { most: 12, grounds: [] },
  curve: { most: 12, grounds: ['facts', 'keywords', 'roster'] },
  chance: { most: 6, grounds: ['facts'] },
  forecast: { most: 6, grounds: ['facts'] },
  entry: { most: 6, grounds: ['facts', 'roster'] },
  alphabet: { most: 2, grounds: ['keywords', 'new keywords'] },
  ranks: { most: 2, grounds: ['keywords', 'new keywords'] },
  metrics: { most: 3, grounds: ['facts', 'keywords'] },
  borrowed: { most: 2, grounds: ['facts', 'keywords', 'new keywords'] },
  'own figures': { most: 2, grounds: ['facts'] },
  'ad rows': { most: 2, grounds: ['facts'] },
  'ad terms': { most: 6, grounds: ['facts'] },
  'own queries': { most: 4, grounds: ['lists'] },
  'over time': { most: 4, grounds: [] },
  'day series': { most: 6, grounds: ['facts', 'keywords', 'roster'] },
  /** These are named by their comparison. */
  watch: { most: 6, grounds: ['tracked', 'drafts', 'rounds'] },
  effects: { most: 6, grounds: ['tracked', 'drafts', 'rounds'] },
  pool: { most: 4, grounds: POOLED },
  'pool order': { most: 8, grounds: [] },
  'pool filter': { most: 12, grounds: [] },
  sieve: { most: 40, grounds: [] },
  languages: { most: 6, grounds: [] },
  containing: { most: 6, grounds: [] },
  grains: { most: 6, grounds: [] },
  signs: { most: 6, grounds: [] },
  'purpose material': { most: 6, grounds: [] },
  purposes: { most: 6, grounds: [] },
  nearness: { most: 4, grounds: [] },
  'rival coverage': { most: 4, grounds: [] },
  'banned phrases': { most: 4, grounds: ['words'] },
  /** Named by its comparison. */
  'draft spellings': { most: 12, grounds: ['new keywords'] },
  clusters: { most: 4, grounds: [] },
  'word counts': { most: 4, grounds: [] },
  tree: { most: 3, grounds: [] },
  variants: { most: 4, grounds: ['new keywords', 'variants', 'translations'] },
  /** Named by their comparison. */
  'close variants': { most: 4, grounds: ['new keywords'] },
  answer: { most: 100, grounds: [] },
} as const satisfies Record<string, { most: number; grounds: readonly Ground[] }>;
export type KeptKind = keyof typeof KINDS;

/** What one answer is made of, beside its grounds. */
export type NameParts = readonly unknown[];

/**
 * The one way of naming what is kept: its kind, where its grounds stand, and what was asked. After a change of anything it
 * rests on the name is another one, so that nothing old can be found.
 *
 * @param also further grounds that only this question rests on
 */
export function nameOf(
  kind: KeptKind,
  revisions: Revisions,
  parts: NameParts,
  also: readonly Ground[] = [],
): string {
  const { of } = revisions;
  const grounds = [...KINDS[kind].grounds, ...also];
  return JSON.stringify([kind, of.project, of.market, grounds.join(), revisions.name(grounds), ...parts]);
}

/** The answers and columns that were asked for lately, by name. */
export class Kept {
  private readonly caches = new Map<KeptKind, LRUCache<string, Promise<unknown> & object>>();

  /** What goes by a name, made if it is not there. Whoever asks meanwhile waits for the same; what fails is not kept. */
  get<T>(kind: KeptKind, name: string, make: () => Promise<T> | T): Promise<T> {
    const cache = this.cache(kind);
    let found = cache.get(name) as Promise<T> | undefined;
    if (found === undefined) {
      found = Promise.resolve().then(make);
      cache.set(name, found);
      found.catch(() => this.forget(kind, name));
    }
    return found;
  }

  /** The next who asks has it made anew. */
  forget(kind: KeptKind, name: string): void {
    this.cache(kind).delete(name);
  }

  private cache(kind: KeptKind): LRUCache<string, Promise<unknown> & object> {
    let cache = this.caches.get(kind);
    if (!cache) this.caches.set(kind, (cache = new LRUCache({ max: KINDS[kind].most })));
    return cache;
  }
}
