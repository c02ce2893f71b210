/** The same work without anything around it: columns made up, joined, ranked, sorted and counted in one thread. */
export function plainGaps(
  keywords: number,
  rivals: number,
): { page: () => number[]; counts: () => number[] } {
  const position = (): Uint8Array =>
    Uint8Array.from({ length: keywords }, () => Math.floor(Math.random() * 103));
  const own = position();
  const theirs = Array.from({ length: rivals }, position);
  const volume = Float32Array.from({ length: keywords }, () => 10 + 60_000 / (1 + Math.random() * 9000));
  const curve = Float32Array.from({ length: 256 }, (_, p) => (p > 0 && p < 101 ? 0.3 / p : 0));
  const kindOf = (i: number, best: number): number => {
    if (own[i]! > 101 || best > 101) return 0;
    if (own[i]! > 10 && best > 10) return 1;
    if (own[i]! > 100) return 2;
    if (own[i]! > 10) return 3;
    return best < own[i]! ? 4 : best < 101 ? 5 : 6;
  };
  const bestOf = (i: number): number => {
    let best = 255;
    for (let r = 0; r < rivals; r++) if (theirs[r]![i]! < best) best = theirs[r]![i]!;
    return best;
  };
  return {
    page: () => {
      const gain = new Float32Array(keywords);
      for (let i = 0; i < keywords; i++)
        gain[i] = volume[i]! * Math.max(0, curve[bestOf(i)]! - curve[own[i]!]!);
      const limit = Float32Array.from(gain).sort()[keywords - 100]!;
      const first: number[] = [];
      for (let i = 0; i < keywords; i++) if (gain[i]! >= limit) first.push(i);
      return first.sort((a, b) => gain[b]! - gain[a]!).slice(0, 100);
    },
    counts: () => {
      const counts = new Array<number>(7).fill(0);
      for (let i = 0; i < keywords; i++) counts[kindOf(i, bestOf(i))]!++;
      return counts;
    },
  };
}
