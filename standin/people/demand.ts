import type { SourceMetrics } from '@opsimath/contract/source/answers';
import { isoMonth, monthIndex } from '../day';
import { hashText, mix, unit } from '../random';
import type { MarketWorld, World } from '../world/world';

const MONTHS = 36;

/** Searches for a keyword in one month: level, trend, season and noise. */
export function monthVolume(
  world: World,
  market: MarketWorld,
  keyword: number,
  month: number,
  base: number,
): number {
  const { text, volume, season, trend } = market.keywords[keyword]!;
  const shape = world.scenario.seasons[season] ?? world.scenario.seasons.level!;
  const noise = Math.exp((unit(mix(mix(hashText(text), month), world.seed)) - 0.5) * 0.24);
  return Math.max(
    0,
    Math.round(volume * Math.exp((trend * (month - base)) / 12) * shape[month % 12]! * noise),
  );
}

/** What a keyword tool says of a keyword at a day, from the 36 full months before it. */
export function metricsOf(
  world: World,
  market: MarketWorld,
  keyword: number,
  day: number,
  base: number,
  results: number,
): SourceMetrics {
  const { text, cpc } = market.keywords[keyword]!;
  const last = monthIndex(day) - 1;
  const advertisers = market.adverts[keyword]!.length;
  return {
    keyword: text,
    firstMonth: isoMonth(last - MONTHS + 1),
    months: Array.from({ length: MONTHS }, (_, i) =>
      roundToTens(monthVolume(world, market, keyword, last - MONTHS + 1 + i, base)),
    ),
    cpcLow: advertisers > 0 ? Math.round(cpc * 62) / 100 : null,
    cpcHigh: advertisers > 0 ? Math.round(cpc * 148) / 100 : null,
    adCompetition: Math.min(1, Math.round((advertisers / 9) * 100) / 100),
    results,
  };
}

/** Services do not print single searches. */
function roundToTens(searches: number): number {
  return Math.round(searches / 10) * 10;
}
