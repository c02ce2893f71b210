import { SURFACES, type Surface } from '@opsimath/core/text/surfaces';

/** The surface of a market, as its code says it: `web-us-en`. */
export const surfaceOf = (market: string): Surface =>
  SURFACES.find((surface) => surface === market.split('-')[0]) ?? 'web';
