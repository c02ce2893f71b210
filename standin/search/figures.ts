import { mix, unit } from '../random';
import type { WorldDocument } from '../world/document';
import { standsOn } from '../world/history';
import { ownNameOf } from '../world/pages';
import type { World } from '../world/world';
import { drift } from './drift';

/** How long others keep a price. */
const PRICE_DAYS = 150;

/** What a public record says in figures beside authority and links, on a day. */
export class Figures {
  /** By address: an edited document is another object. */
  private readonly ranks = new Map<string, Map<string, number>>();

  constructor(
    private readonly world: World,
    /** Every listing of the marketplace. */
    private readonly listings: readonly WorldDocument[],
  ) {}

  of(document: WorldDocument, day: number, place: string, currency: string): Record<string, number | null> {
    switch (document.kind) {
      case 'video': {
        const views = viewsOf(document, day);
        const received = 0.012 + (0.02 * (document.seed % 97)) / 97;
        return {
          length: document.facts.length!,
          views,
          likes: Math.round(views * received),
          // Some channels have switched comments off.
          comments: document.seed % 7 === 0 ? null : Math.round((views * received) / 11),
        };
      }
      case 'listing': {
        const rate = this.world.scenario.currencies[currency] ?? 1;
        const reviews = Math.round(0.05 * unitsUntil(document, day));
        return {
          price: Math.round(this.priceOn(document, day) * rate * 100) / 100,
          rating: reviews > 0 ? document.facts.rating! : null,
          reviews,
          'sales rank': this.salesRank(document, day, place),
          images: document.facts.images!,
        };
      }
      default:
        return {};
    }
  }

  /** What others ask for a thing goes down or up now and then. */
  private priceOn(document: WorldDocument, day: number): number {
    const price = document.facts.price!;
    if (this.world.owners[document.owner]!.name === ownNameOf(this.world.scenario)) return price;
    const period = Math.floor((day + (document.seed % PRICE_DAYS)) / PRICE_DAYS);
    const luck = unit(mix(document.seed, period));
    return price * (luck < 0.12 ? 0.9 : luck > 0.92 ? 1.08 : 1);
  }

  /** 1 is the listing of its category that sells most in the place. */
  salesRank(document: WorldDocument, day: number, place: string): number | null {
    const name = `${place}:${day}`;
    let ranks = this.ranks.get(name);
    if (!ranks) {
      ranks = this.rankAll(day, place);
      if (this.ranks.size > 8) this.ranks.delete(this.ranks.keys().next().value!);
      this.ranks.set(name, ranks);
    }
    return ranks.get(document.address) ?? null;
  }

  /** Units a month at some ranks of a category; nothing where the scenario keeps it secret. */
  salesCurve(category: string, day: number, place: string): { rank: number; units: number }[] {
    if (this.world.scenario.categories.find(({ name }) => name === category)?.curve === false) return [];
    const sold = this.listings
      .filter((document) => document.category === category && standsOn(document, day))
      .map((document) => unitsADay(document, day, place) * 30)
      .sort((a, b) => b - a);
    return [1, 2, 3, 5, 8, 12, 20, 35, 60, 100, 200, 400, 800, 1500, 3000].flatMap((rank) =>
      sold[rank - 1] === undefined ? [] : [{ rank, units: Math.round(sold[rank - 1]! * 10) / 10 }],
    );
  }

  private rankAll(day: number, place: string): Map<string, number> {
    const byCategory = new Map<string, { document: WorldDocument; units: number }[]>();
    for (const document of this.listings) {
      if (!standsOn(document, day)) continue;
      const list = byCategory.get(document.category!) ?? [];
      list.push({ document, units: unitsADay(document, day, place) });
      byCategory.set(document.category!, list);
    }
    const ranks = new Map<string, number>();
    for (const list of byCategory.values()) {
      list.sort((a, b) => b.units - a.units || a.document.seed - b.document.seed);
      list.forEach(({ document }, i) => ranks.set(document.address, i + 1));
    }
    return ranks;
  }
}

/** Views since publication: many in the first weeks, then fewer and fewer a day. */
function viewsOf(document: WorldDocument, day: number): number {
  const age = Math.max(0, day - document.revisions[0]!);
  const pull = Math.exp(2.4 + 0.045 * document.authority + 1.1 * document.appeal);
  return Math.round(pull * 45 * Math.log1p(age / 12));
}

function unitsADay(document: WorldDocument, day: number, place: string): number {
  const level = Math.exp(-1.6 + 0.028 * document.authority + 0.9 * document.appeal);
  return level * Math.exp(0.35 * drift(document.seed, place.charCodeAt(0), day));
}

function unitsUntil(document: WorldDocument, day: number): number {
  const level = Math.exp(-1.6 + 0.028 * document.authority + 0.9 * document.appeal);
  return level * Math.max(0, day - document.revisions[0]!);
}
