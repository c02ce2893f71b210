import { key } from '@opsimath/core/text/key';
import { stems } from '@opsimath/core/text/stems';
import { Draws, hashText, mix } from '../random';
import type { WorldDocument } from './documents';
import type { WorldKeyword } from './keywords';
import type { Owner } from './owners';
import type { Vocabulary } from './scenario';

export type MatchType = 'exact' | 'phrase' | 'broad';

/** One advertiser that may bid on one keyword. */
export interface Advert {
  owner: number;
  /** Landing page: index into the documents. */
  landing: number;
  match: MatchType;
  bid: number;
  /** 0–1. */
  quality: number;
  /** Share of days on which its budget lasts, 0–1. */
  presence: number;
}

interface AdKeyword {
  /** Each with a space at both ends. */
  stems: string[];
  phrase: string;
  text: string;
  match: MatchType;
  bid: number;
  landing: number;
}

/** Campaigns of every advertising owner, matched to the keywords: one list of adverts a keyword. */
export function placeAdverts(
  keywords: readonly WorldKeyword[],
  owners: readonly Owner[],
  documents: readonly WorldDocument[],
  vocabulary: Vocabulary,
  language: string,
  seed: number,
): Advert[][] {
  const split = keywords.map((keyword) => ` ${stems(key(keyword.text), language).join(' ')} `);
  const adverts: Advert[][] = keywords.map(() => []);
  owners.forEach((owner, index) => {
    if (owner.advertises <= 0) return;
    const draws = new Draws(mix(seed + 31, hashText(owner.host)));
    const campaign = campaignOf(owner, index, documents, vocabulary, language, draws);
    const quality = Math.min(1, 0.35 + owner.authority / 130 + draws.between(-0.1, 0.15));
    const presence = 0.35 + 0.6 * owner.advertises;
    split.forEach((keywordStems, i) => {
      const best = bestMatch(campaign, keywordStems, keywords[i]!.text);
      if (best) {
        adverts[i]!.push({
          owner: index,
          landing: best.landing,
          match: best.match,
          bid: best.bid,
          quality,
          presence,
        });
      }
    });
  });
  return adverts;
}

function campaignOf(
  owner: Owner,
  index: number,
  documents: readonly WorldDocument[],
  vocabulary: Vocabulary,
  language: string,
  draws: Draws,
): AdKeyword[] {
  const own = documents.flatMap((document, i) => (document.owner === index ? [{ document, i }] : []));
  const campaign: AdKeyword[] = [];
  const add = (text: string, match: MatchType, bid: number, product: string): void => {
    const landing =
      own.find(({ document }) => document.fields.title!.toLowerCase().includes(product)) ?? own[0]!;
    campaign.push({
      text: key(text),
      stems: stems(key(text), language).map((word) => ` ${word} `),
      phrase: ` ${stems(key(text), language).join(' ')} `,
      match,
      bid: Math.round(bid * 100) / 100,
      landing: landing.i,
    });
  };
  for (const product of vocabulary.products) {
    if (draws.next() > owner.advertises * owner.breadth) continue;
    const bid = product.cpc * draws.between(0.8, 1.6);
    if (draws.next() < 0.7) add(product.many, 'exact', bid * 1.2, product.one);
    if (draws.next() < 0.35) add(product.one, 'broad', bid * 0.7, product.one);
    for (let i = draws.whole(1, 6); i > 0; i--) {
      add(
        `${draws.weighted(vocabulary.attributes)} ${product.many}`,
        draws.next() < 0.6 ? 'phrase' : 'exact',
        bid,
        product.one,
      );
      add(`${product.many} for ${draws.weighted(vocabulary.uses)}`, 'phrase', bid, product.one);
    }
  }
  return campaign;
}

/** @param padded the keyword's stems, joined and with a space at both ends */
function bestMatch(campaign: readonly AdKeyword[], padded: string, text: string): AdKeyword | null {
  let best: AdKeyword | null = null;
  for (const ad of campaign) {
    if (best !== null && ad.bid <= best.bid) continue;
    const hit =
      ad.match === 'exact'
        ? ad.text === text
        : ad.match === 'phrase'
          ? padded.includes(ad.phrase)
          : ad.stems.every((word) => padded.includes(word));
    if (hit) best = ad;
  }
  return best;
}
