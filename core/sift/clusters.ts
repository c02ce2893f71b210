import { UndirectedGraph } from 'graphology';
import louvainPackage from 'graphology-communities-louvain';
import { closeVariantKey } from '../text/stems';

// CommonJS behind an ES face: some loaders give the function, some an object that holds it.
type Louvain = (graph: UndirectedGraph, options: object) => Record<string, number>;
const louvainModule = louvainPackage as unknown as Louvain | { default: Louvain };
const louvain = typeof louvainModule === 'function' ? louvainModule : louvainModule.default;

/** Keywords that share this many of their first ten organic targets are linked. */
export const LEAST_SHARED = 4;
export const FIRST = 10;
const SEED = 20_260_314;

/**
 * Clusters of keywords (method §10): those whose captures share at least four of their first ten organic targets are
 * linked, weighted by how many; communities by Louvain, seeded. A keyword without a capture is with those of equal
 * close-variant stems, else alone.
 *
 * @param first ten places a keyword, end to end, 0 where there is none; all 0 is a keyword without a capture
 * @param keys keyword keys, in the same order
 * @param language for the stems
 * @returns a cluster number a keyword, from 0 on in the order in which they are met
 */
export function clusterKeywords(first: Int32Array, keys: readonly string[], language: string): Int32Array {
  const size = keys.length;
  const graph = new UndirectedGraph();
  for (let i = 0; i < size; i++) graph.addNode(i);
  linkByCaptures(first, size, (a, b, shared) => graph.addEdge(a, b, { weight: shared }));
  linkByStems(first, keys, language, (a, b) => graph.addEdge(a, b, { weight: FIRST }));
  const community = louvain(graph, { getEdgeWeight: 'weight', rng: drawer(SEED) });
  const numbers = new Map<number, number>();
  return Int32Array.from({ length: size }, (_, i) => {
    const found = community[String(i)]!;
    let number = numbers.get(found);
    if (number === undefined) numbers.set(found, (number = numbers.size));
    return number;
  });
}

/** Calls back with every pair that shares enough places, each once. Linear in what they share, whatever the size. */
function linkByCaptures(
  first: Int32Array,
  size: number,
  link: (a: number, b: number, shared: number) => void,
): void {
  const holders = new Map<number, number[]>();
  const shared = new Uint8Array(size);
  for (let i = 0; i < size; i++) {
    const met: number[] = [];
    for (let at = i * FIRST; at < (i + 1) * FIRST; at++) {
      const place = first[at]!;
      if (place === 0) continue;
      const earlier = holders.get(place);
      if (earlier === undefined) {
        holders.set(place, [i]);
        continue;
      }
      for (const other of earlier) if (shared[other]!++ === 0) met.push(other);
      if (earlier.at(-1) !== i) earlier.push(i);
    }
    for (const other of met) {
      if (other !== i && shared[other]! >= LEAST_SHARED) link(other, i, shared[other]!);
      shared[other] = 0;
    }
  }
}

/** Keywords without a capture go to the first of the same stems. */
function linkByStems(
  first: Int32Array,
  keys: readonly string[],
  language: string,
  link: (a: number, b: number) => void,
): void {
  const byStems = new Map<string, number>();
  const isBare = (i: number): boolean =>
    first.subarray(i * FIRST, (i + 1) * FIRST).every((place) => place === 0);
  keys.forEach((key, i) => {
    if (!isBare(i)) return;
    const stems = closeVariantKey(key, language);
    const earlier = byStems.get(stems);
    if (earlier === undefined) byStems.set(stems, i);
    else link(earlier, i);
  });
}

/** Draws from 0 to 1 that are the same every time. */
function drawer(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
