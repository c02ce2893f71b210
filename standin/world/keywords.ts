import { key } from '@opsimath/core/text/key';
import { hashText, mix, unit } from '../random';
import { fill, slotsOf } from './forms';
import type { Scenario, ScenarioMarket } from './scenario';

/** One searchable keyword of a market. */
export interface WorldKeyword {
  text: string;
  /** Mean searches a month at the scenario's first date. */
  volume: number;
  season: string;
  /** Yearly growth of ln(volume). */
  trend: number;
  cpc: number;
}

interface Option {
  text: string;
  weight: number;
  season?: string;
  cpc?: number;
}
interface Composed {
  weight: number;
  season: string;
  cpc: number;
}

const ZIPF = 1.02;
const HEAD = 6;

/** Composes the keywords of a market from its vocabulary and gives them Zipf-like volumes, most searched first. */
export function composeKeywords(scenario: Scenario, market: ScenarioMarket, seed: number): WorldKeyword[] {
  const found = new Map<string, Composed>();
  for (const [form, weight] of scenario.languages[market.language]!.keywordForms) {
    expand(form, weight, optionsOf(scenario, market.language), (text, composed) =>
      add(found, text, composed, seed),
    );
  }
  const ranked = [...found].sort((a, b) => b[1].weight - a[1].weight);
  for (const [text, composed] of respell(ranked, scenario, market.language)) add(found, text, composed, seed);
  return [...found]
    .sort((a, b) => b[1].weight - a[1].weight || (a[0] < b[0] ? -1 : 1))
    .slice(0, market.keywords)
    .map(([text, composed], rank) => ({
      text,
      volume: round10(market.topVolume * ((HEAD + 1) / (HEAD + 1 + rank)) ** ZIPF),
      season: composed.season,
      trend: (unit(mix(hashText(text), seed + 2)) - 0.5) * 0.5,
      cpc: Math.round(100 * composed.cpc * (0.5 + unit(mix(hashText(text), seed + 3)))) / 100,
    }));
}

function add(found: Map<string, Composed>, text: string, composed: Composed, seed: number): void {
  const identity = key(text);
  if (found.has(identity)) return;
  const luck = Math.exp(1.6 * (unit(mix(hashText(identity), seed + 1)) - 0.5));
  found.set(identity, { ...composed, weight: composed.weight * luck });
}

/** Every way to fill a form, its weight the product of the words' weights. */
function expand(
  form: string,
  weight: number,
  options: Record<string, Option[]>,
  take: (text: string, composed: Composed) => void,
): void {
  const slots = slotsOf(form);
  const walk = (at: number, filling: Record<string, string>, composed: Composed): void => {
    if (at === slots.length) return take(fill(form, filling), composed);
    for (const option of options[slots[at]!] ?? []) {
      if (Object.values(filling).includes(option.text)) continue;
      walk(
        at + 1,
        { ...filling, [slots[at]!]: option.text },
        {
          weight: composed.weight * option.weight,
          season: option.season ?? composed.season,
          cpc: composed.cpc * (option.cpc ?? 1),
        },
      );
    }
  };
  walk(0, {}, { weight, season: 'level', cpc: 1 });
}

function optionsOf(scenario: Scenario, language: string): Record<string, Option[]> {
  const words = scenario.languages[language]!;
  const scale = (list: readonly (readonly [string, number])[]): Option[] => {
    const top = Math.max(...list.map(([, weight]) => weight));
    return list.map(([text, weight]) => ({ text, weight: (weight / top) ** 0.8 }));
  };
  const products = (form: 'one' | 'many'): Option[] =>
    words.products.map((product) => ({
      text: product[form],
      weight: (product.weight / words.products[0]!.weight) ** 0.9,
      season: product.season,
      cpc: product.cpc,
    }));
  const brands = scenario.owners.map((owner, i) => ({
    text: owner.name.toLowerCase(),
    weight: 1 / (1 + i * 0.6),
  }));
  return {
    product: products('one'),
    products: products('many'),
    product2: products('one'),
    products2: products('many'),
    attribute: scale(words.attributes),
    material: scale(words.materials),
    use: scale(words.uses),
    fitting: scale(words.fittings),
    size: scale(words.sizes),
    colour: scale(words.colours),
    place: scale(words.places),
    year: scale(words.years),
    brand: brands,
    brand2: brands,
  };
}

/** Misspelt, joined and split words, and synonyms, of the most searched keywords. */
function* respell(
  ranked: [string, Composed][],
  scenario: Scenario,
  language: string,
): Generator<[string, Composed]> {
  const { misspellings, synonyms } = scenario.languages[language]!;
  for (const [text, composed] of ranked.slice(0, 2500)) {
    for (const [table, share] of [
      [misspellings, 0.05],
      [synonyms, 0.22],
    ] as const) {
      for (const [word, other] of Object.entries(table)) {
        const swapped = ` ${text} `.replace(` ${word} `, ` ${other} `).trim();
        if (swapped !== text) yield [swapped, { ...composed, weight: composed.weight * share }];
      }
    }
  }
}

function round10(volume: number): number {
  return volume >= 100 ? Math.round(volume / 10) * 10 : Math.max(10, Math.round(volume / 10) * 10);
}
