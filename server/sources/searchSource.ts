import type {
  AdTermsAnswer,
  AllowanceAnswer,
  AuctionsAnswer,
  CampaignsAnswer,
  IndexAnswer,
  KeywordsAnswer,
  LinksAnswer,
  MetricsAnswer,
  PerformanceAnswer,
  PlaceAnswer,
  RankingsAnswer,
  ResultPagesAnswer,
  SalesCurvesAnswer,
  SourceFullRecord,
  SourceMarket,
  OwnFieldsAnswer,
  PublishAnswer,
  ReindexAnswer,
  TranslationsAnswer,
} from '@opsimath/contract/source/answers';

import type { MatchMode } from '@opsimath/core/text/matchModes';

export interface Dated {
  market: string;
  /** ISO day. */
  date: string;
  signal?: AbortSignal;
  /** Of a request that costs units: the same number is charged once, however often it is sent. */
  requestId?: string;
}

/**
 * A search service. Each real one is an adapter of this; nothing above knows which it is.
 * Every method throws a KnownProblem when the service cannot be reached or refuses.
 */
export interface SearchSource {
  /** Shown as the source of every fact that came from here. */
  readonly name: string;
  markets(): Promise<SourceMarket[]>;
  /** Whether a place within a market is known; the code says which: `market@kind:value`. */
  place(ask: { market: string }): Promise<PlaceAnswer>;
  /** The service's own today. */
  today(): Promise<string>;
  allowance(): Promise<AllowanceAnswer>;
  /**
   * One page of a reverse look-up; `cursor` is `null` at the end. Rows that make no sense are asked for again;
   * those that never come right are left out and counted.
   */
  rankings(ask: RankingsAsk & { cursor: string | null }): Promise<RankingsAnswer & { senseless: number }>;
  /** How many rows a reverse look-up would give; costs nothing. */
  rankingsCount(ask: RankingsAsk): Promise<number>;
  /** What a search box proposes while this is typed, in its order. */
  suggestions(ask: Dated & { prefix: string }): Promise<string[]>;
  /** One page of the keywords that hold some words. */
  keywords(ask: KeywordsAsk & { cursor: string | null }): Promise<KeywordsAnswer>;
  keywordsCount(ask: KeywordsAsk): Promise<number>;
  links(ask: Dated & { target: string }): Promise<LinksAnswer>;
  salesCurves(ask: Dated): Promise<SalesCurvesAnswer>;
  translations(ask: {
    date: string;
    from: string;
    to: string;
    texts: readonly string[];
    requestId?: string;
  }): Promise<TranslationsAnswer>;
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
  adTerms(ask: { market: string; from: string; to: string; cursor: string | null }): Promise<AdTermsAnswer>;
  /** The auction for a keyword on a day. */
  auction(ask: Dated & { keyword: string }): Promise<AuctionsAnswer>;
  /** Own campaigns as they stand now. */
  campaigns(ask: { market: string }): Promise<CampaignsAnswer>;
  /** Private fields of an own target. */
  ownFields(ask: { market: string; target: string }): Promise<OwnFieldsAnswer>;
  /** Publishes fields of an own target, making it where it is new. The same request id is carried out once. */
  publish(ask: {
    market: string;
    target: string;
    fields: Readonly<Record<string, string>>;
    requestId: string;
  }): Promise<PublishAnswer>;
  /** Asks search to look at an own target again; refused where no more can be asked for today. */
  reindex(ask: { market: string; target: string }): Promise<ReindexAnswer>;
  /** At most {@link MOST_INDEXED} addresses. */
  indexStates(ask: { market: string; targets: readonly string[] }): Promise<IndexAnswer>;
}

export interface RankingsAsk extends Dated {
  target: string;
  kind: 'organic' | 'paid' | 'both';
  depth: number;
  leastVolume: number;
}
export interface KeywordsAsk extends Dated {
  text: string;
  mode: MatchMode;
}
/** Most addresses in one request for index states. */
export const MOST_INDEXED = 1000;

/** Most keywords in one request for result pages. */
export const MOST_PAGES = 100;
/** Most keywords in one request for metrics. */
export const MOST_METRICS = 1000;
