import { auctionRequest } from '@opsimath/contract/api/bids';
import PQueue from 'p-queue';
import { auctionsMissing, daysUntil, keepAuction } from '../data/auctions';
import { progressStatement } from '../data/jobs';
import { keywordsById } from '../data/keywords';
import { marketByCode } from '../data/markets';
import type { JobContext } from './steps/context';
import { payOnce } from '../data/paidRequests';

const AT_ONCE = 4;

/** Observes the auctions of keywords day by day; what is held is not asked for again, each is kept as it comes. */
export async function runAuctions(context: JobContext): Promise<string | null> {
  const { database, source, signal, progress, jobId } = context;
  const request = auctionRequest.parse(context.request);
  const market = await marketByCode(database, request.market);
  const days = daysUntil(request.date, request.days);
  // Two jobs that want the same observe it once.
  await context.locks.run(`auctions:${market.id}`, async () => {
    const missing = await auctionsMissing(database, market.id, request.keywords, days);
    const asked = new Set(request.keywords).size * days.length;
    progress.step('auctions', asked, asked - missing.length);
    const texts = await keywordsById(database, new Set(missing.map(({ keyword }) => keyword)));
    const queue = new PQueue({ concurrency: AT_ONCE });
    await queue.addAll(
      missing.map(({ keyword, date }) => async () => {
        signal.throwIfAborted();
        const text = texts.get(keyword)!.text;
        const request = await payOnce(database, {
          marketId: market.id,
          date,
          kind: 'auction',
          detail: String(keyword),
        });
        const answer = await source.auction({
          market: market.code,
          date,
          keyword: text,
          signal,
          requestId: request.requestId,
        });
        const state = progress.advance(1, answer.units);
        await keepAuction(database, market.id, keyword, date, answer, [
          progressStatement(jobId, state),
          request.settled,
        ]);
      }),
    );
  });
  return null;
}
