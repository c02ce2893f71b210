import { DAY_MS } from '@opsimath/core/day';
import type { Scope } from '../scope';

interface Known {
  markets: readonly { code: string }[];
  today: string;
  dates: readonly { date: string; captures: number; rankings: number }[];
}
const QUARTER_DAYS = 90;

/**
 * What an address leaves open: the first market; the newest date with facts, else the services' today; compared
 * with the broadest captures some three months before.
 */
export function scopeDefaults(scope: Scope, known: Known): Partial<Scope> {
  const change: Partial<Scope> = {};
  if (!known.markets.some((market) => market.code === scope.market) && known.markets[0]) {
    change.market = known.markets[0].code;
  }
  const date = scope.date || known.dates.find((entry) => entry.date <= known.today)?.date || known.today;
  if (scope.date === '') change.date = date;
  if (scope.compare === '') {
    const earlier = known.dates.filter((entry) => entry.date < date && entry.captures > 0);
    const wanted = Date.parse(date) - QUARTER_DAYS * DAY_MS;
    const distance = (entry: { date: string }): number => Math.abs(Date.parse(entry.date) - wanted);
    const most = Math.max(0, ...earlier.map((entry) => entry.captures));
    const broad = earlier
      .filter((entry) => entry.captures >= most / 2)
      .sort((a, b) => distance(a) - distance(b));
    if (broad[0]) change.compare = broad[0].date;
  }
  return change;
}
