import type {
  AllowanceAnswer,
  MetricsAnswer,
  PerformanceAnswer,
  RankingsAnswer,
  ResultPagesAnswer,
  SourceFullRecord,
  SourceMarket,
} from '@opsimath/contract/source/answers';

export interface Dated {
  market: string;
  /** ISO day. */
  date: string;
  signal?: AbortSignal;
}

/**
 * A search service. Each real one is an adapter of this; nothing above knows which it is.
 * Every method throws a KnownProblem when the service cannot be reached or refuses.
 */
export interface SearchSource {
  /** Shown as the source of every fact that came from here. */
  readonly name: string;
  markets(): Promise<SourceMarket[]>;
  /** The service's own today. */
  today(): Promise<string>;
  allowance(): Promise<AllowanceAnswer>;
  /** One page of a reverse look-up; `cursor` is `null` at the end. Rows that make no sense are left out and counted. */
  rankings(
    ask: Dated & { target: string; kind: 'organic' | 'paid' | 'both'; cursor: string | null },
  ): Promise<RankingsAnswer & { senseless: number }>;
  /** How many rows a reverse look-up would give; costs nothing. */
  rankingsCount(ask: Dated & { target: string; kind: 'organic' | 'paid' | 'both' }): Promise<number>;
  /** At most {@link MOST_KEYWORDS} keywords. */
  resultPages(ask: Dated & { depth: number; keywords: readonly string[] }): Promise<ResultPagesAnswer>;
  metrics(ask: Dated & { keywords: readonly string[] }): Promise<MetricsAnswer>;
  record(ask: Dated & { target: string }): Promise<SourceFullRecord>;
  performance(ask: {
    market: string;
    site: string;
    from: string;
    to: string;
    cursor: string | null;
  }): Promise<PerformanceAnswer>;
}

/** Most keywords in one request for result pages. */
export const MOST_PAGES = 100;
/** Most keywords in one request for metrics. */
export const MOST_METRICS = 1000;
