import { z } from 'zod';
import { marketByCode } from '../data/markets';
import { mergeSmallSegments } from '../data/segments/merge';
import type { JobContext } from './steps/context';
import { takeCaptures } from './steps/takeCaptures';

/** What a capture job is asked for: result pages of keywords on some dates. */
export const captureRequest = z.object({
  market: z.string(),
  dates: z.array(z.iso.date()).min(1).max(1000),
  keywords: z.array(z.int()).min(1).max(100_000),
});

export async function runCaptures(context: JobContext): Promise<string | null> {
  const request = captureRequest.parse(context.request);
  const market = await marketByCode(context.database, request.market);
  for (const date of request.dates) {
    await takeCaptures(context, market, date, request.keywords, () => null);
    await mergeSmallSegments(context.database, { marketId: market.id, kind: 'captures', date });
  }
  return null;
}
