import type { Surface } from '@opsimath/contract/source/answers';

/** How one surface weighs the fields of a document and what lies beside the text. Another surface is another row. */
export interface SurfaceTable {
  /** BM25F weight and length normalisation by field. `title` is looked at for the whole phrase. */
  fields: Record<string, { weight: number; lengthNorm: number }>;
  text: number;
  phraseInTitle: number;
  phraseElsewhere: number;
  authority: number;
  /** Added by genre of document, for keywords that ask and for all others. */
  genres: { asking: Record<string, number>; buying: Record<string, number> };
  /** Added by kind of owner: who makes the things is believed about them. */
  trades: Record<string, number>;
  /** Added for each unit of how well people take to a document. */
  engagement: number;
  /** Span between the owners best and least known in a place. */
  local: number;
  freshness: number;
  freshnessDays: number;
  drift: number;
  /** Taken off for each further slot of one owner. */
  crowding: number;
  /** What people really click, by organic position: first · p^(−decay), halved after each page. */
  clicks: { first: number; decay: number };
  /** Share of searches that see each page of results. */
  pagesSeen: readonly number[];
}

export const SURFACES: Record<Surface, SurfaceTable> = {
  web: {
    fields: {
      title: { weight: 4, lengthNorm: 0.5 },
      headings: { weight: 1.8, lengthNorm: 0.5 },
      description: { weight: 1.2, lengthNorm: 0.5 },
      body: { weight: 1, lengthNorm: 0.75 },
    },
    text: 5,
    phraseInTitle: 0.9,
    phraseElsewhere: 0.3,
    authority: 0.026,
    genres: { asking: { guide: 0.45, thread: 0.3 }, buying: { item: 0.2, collection: 0.45, home: 0.2 } },
    trades: { brand: 0.35, shop: 0.3, club: 0.2, maker: 0.2 },
    engagement: 0.05,
    local: 0.3,
    freshness: 0.45,
    freshnessDays: 25,
    drift: 0.24,
    crowding: 0.35,
    clicks: { first: 0.36, decay: 1.18 },
    pagesSeen: [1, 0.14, 0.05, 0.025, 0.015, 0.01, 0.008, 0.006, 0.005, 0.004],
  },
  video: {
    fields: {
      title: { weight: 4, lengthNorm: 0.5 },
      tags: { weight: 2, lengthNorm: 0.5 },
      description: { weight: 1.2, lengthNorm: 0.6 },
      'channel keywords': { weight: 0.4, lengthNorm: 0.3 },
    },
    text: 4.6,
    phraseInTitle: 0.8,
    phraseElsewhere: 0.4,
    authority: 0.018,
    genres: { asking: { howto: 0.45, compare: 0.35 }, buying: { review: 0.35, compare: 0.25 } },
    trades: { rider: 0.15, maker: 0.15 },
    engagement: 0.28,
    local: 0.3,
    freshness: 0.35,
    freshnessDays: 40,
    drift: 0.26,
    crowding: 0.3,
    clicks: { first: 0.27, decay: 0.92 },
    pagesSeen: [1, 0.3, 0.12, 0.05, 0.03],
  },
  marketplace: {
    fields: {
      title: { weight: 4, lengthNorm: 0.45 },
      bullets: { weight: 1.6, lengthNorm: 0.6 },
      tags: { weight: 1.4, lengthNorm: 0.5 },
      description: { weight: 0.8, lengthNorm: 0.7 },
      hidden: { weight: 1.5, lengthNorm: 0.4 },
    },
    text: 4.4,
    phraseInTitle: 0.7,
    phraseElsewhere: 0.3,
    authority: 0.012,
    genres: { asking: {}, buying: { listing: 0.2 } },
    trades: { brand: 0.2 },
    engagement: 0.34,
    local: 0.35,
    freshness: 0.3,
    freshnessDays: 20,
    drift: 0.25,
    crowding: 0.18,
    clicks: { first: 0.31, decay: 1.02 },
    pagesSeen: [1, 0.22, 0.08],
  },
};
