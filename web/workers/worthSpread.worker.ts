import { type WorthParts, type WorthSpread, spreadOfWorth } from '@opsimath/core/gap/spreadOfWorth';

export interface WorthSpreadTask {
  keywords: WorthParts[];
  seed: number;
}
export type WorthSpreadAnswer = WorthSpread[];

addEventListener('message', ({ data }: MessageEvent<WorthSpreadTask>) => {
  const answer: WorthSpreadAnswer = spreadOfWorth(data.keywords, data.seed);
  postMessage(answer);
});
