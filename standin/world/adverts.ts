import { key } from '@opsimath/core/text/key';
import { stems } from '@opsimath/core/text/stems';
import { dayNumber } from '../day';
import { Draws, hashText, mix } from '../random';
import type { WorldDocument } from './document';
import { standsOn } from './history';
import type { WorldKeyword } from './keywords';
import type { Owner } from './owners';
import type { ScenarioMarket, Vocabulary } from './scenario';
import { padded, synonymStems } from './textIndex';
import type { World } from './world';

export type MatchType = 'exact' | 'phrase' | 'broad';

/** What an owner bids on. */
export interface AdKeyword {
  text: string;
  match: MatchType;
  bid: number;
  /** Landing page, video or listing: index into the documents. */
  landing: number;
}
export interface Campaign {
  owner: number;
  dailyBudget: number;
  keywords: AdKeyword[];
}

/** One advertiser that may bid on one keyword. */
export interface Advert {
  owner: number;
  landing: number;
  match: MatchType;
  bid: number;
  /** What was bid on: index into the campaign's keywords. */
  keyword: number;
  /** 0–1. */
  quality: number;
  /** Share of days on which its budget lasts, 0–1. */
  presence: number;
}

/** Campaigns of every advertising owner of the surface, matched to the keywords: one list of adverts a keyword. */
export function placeAdverts(
  world: Pick<World, 'scenario' | 'owners' | 'seed'>,
  market: ScenarioMarket,
  keywords: readonly WorldKeyword[],
  documents: readonly WorldDocument[],
): { adverts: Advert[][]; campaigns: Campaign[] } {
  const vocabulary = world.scenario.languages[market.language]!;
  /** Nobody lands on what is still to come or will be given up. */
  const settled = dayNumber(world.scenario.today) + 20;
  const texts = keywords.map(({ text }) => {
    const words = stems(key(text), market.language);
    return { text, words, stems: padded(words) };
  });
  const adverts: Advert[][] = keywords.map(() => []);
  const campaigns: Campaign[] = [];
  world.owners.forEach((owner, index) => {
    if (owner.advertises <= 0 || owner.surface !== market.surface) return;
    const draws = new Draws(mix(world.seed + 31, hashText(owner.address + market.code)));
    const own = documents.flatMap((document, i) =>
      document.owner === index && standsOn(document, settled) && document.ends === null
        ? [{ document, i }]
        : [],
    );
    if (own.length === 0) return;
    const campaign = campaignOf(owner, own, vocabulary, draws);
    const quality = Math.min(1, 0.35 + owner.authority / 130 + draws.between(-0.1, 0.15));
    const presence = 0.35 + 0.6 * owner.advertises;
    campaigns.push({
      owner: index,
      dailyBudget: Math.round(20 + 120 * owner.advertises),
      keywords: campaign,
    });
    const match = matcher(campaign, vocabulary, market.language);
    texts.forEach((text, i) => {
      const best = match(text);
      if (best < 0) return;
      const { landing, match: type, bid } = campaign[best]!;
      adverts[i]!.push({ owner: index, landing, match: type, bid, keyword: best, quality, presence });
    });
  });
  return { adverts, campaigns };
}

function campaignOf(
  owner: Owner,
  own: readonly { document: WorldDocument; i: number }[],
  vocabulary: Vocabulary,
  draws: Draws,
): AdKeyword[] {
  const campaign: AdKeyword[] = [];
  const add = (text: string, match: MatchType, bid: number, product: string): void => {
    const landing =
      own.find(({ document }) => document.fields.title!.toLowerCase().includes(product)) ?? own[0]!;
    campaign.push({ text: key(text), match, bid: Math.round(bid * 100) / 100, landing: landing.i });
  };
  const joined = (form: string, words: Record<string, string>): string =>
    form.replace(/\{(\w+)\}/g, (_, slot: string) => words[slot] ?? '');
  const useForm = vocabulary.keywordForms.find(([form]) => /^\{products\} \S+ \{use\}$/.test(form))?.[0];
  const attributeForm = vocabulary.keywordForms.find(([form]) =>
    /^(\{attribute\} \{products?\}|\{products?\} \{attribute\})$/.test(form),
  )?.[0];
  for (const product of vocabulary.products) {
    if (draws.next() > owner.advertises * owner.breadth) continue;
    const bid = product.cpc * draws.between(0.8, 1.6);
    if (draws.next() < 0.7) add(product.many, 'exact', bid * 1.2, product.one);
    if (draws.next() < 0.35) add(product.one, 'broad', bid * 0.7, product.one);
    for (let i = draws.whole(1, 6); i > 0; i--) {
      const words = {
        product: product.one,
        products: product.many,
        attribute: draws.weighted(vocabulary.attributes),
        use: draws.weighted(vocabulary.uses),
      };
      const match = draws.next() < 0.6 ? 'phrase' : 'exact';
      if (attributeForm) add(joined(attributeForm, words), match, bid, product.one);
      if (useForm) add(joined(useForm, words), 'phrase', bid, product.one);
    }
  }
  return campaign;
}

/** Finds the highest bid that matches a keyword: its index in the campaign, −1 for none. */
function matcher(
  campaign: readonly AdKeyword[],
  vocabulary: Vocabulary,
  language: string,
): (keyword: { text: string; stems: string; words: readonly string[] }) => number {
  const synonyms = synonymStems(vocabulary.synonyms, language);
  const exact = new Map<string, number>();
  /** By the first word, however it may be said: whatever matches has it. */
  const byFirst = new Map<string, number[]>();
  const prepared = campaign.map(({ text, match }, index) => {
    const split = stems(text, language);
    /** Each word with what it may be said as instead. */
    const said = split.map((word) => [word, synonyms.get(word)].filter((one) => one !== undefined));
    if (match === 'exact') exact.set(text, better(campaign, exact.get(text) ?? -1, index));
    else
      for (const word of match === 'phrase' ? [split[0]!] : said[0]!)
        byFirst.set(word, [...(byFirst.get(word) ?? []), index]);
    return { match, phrase: padded(split), said: said.map((ways) => ways.map((word) => padded([word]))) };
  });
  return (keyword) => {
    let best = exact.get(keyword.text) ?? -1;
    for (const word of keyword.words) {
      for (const index of byFirst.get(word) ?? []) {
        if (better(campaign, best, index) === best) continue;
        const { match, phrase, said } = prepared[index]!;
        const hit =
          match === 'phrase'
            ? keyword.stems.includes(phrase)
            : said.every((ways) => ways.some((way) => keyword.stems.includes(way)));
        if (hit) best = index;
      }
    }
    return best;
  };
}

/** The one with the higher bid, else the earlier. */
function better(campaign: readonly AdKeyword[], a: number, b: number): number {
  if (a < 0 || b < 0) return Math.max(a, b);
  const more = campaign[b]!.bid - campaign[a]!.bid;
  return more > 0 || (more === 0 && b < a) ? b : a;
}
