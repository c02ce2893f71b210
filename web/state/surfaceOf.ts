import { type Surface, surface } from '@opsimath/contract/source/answers';

/** The surface of a market, as its code says it: `web-us-en`. */
export const surfaceOf = (market: string): Surface => surface.safeParse(market.split('-')[0]).data ?? 'web';
