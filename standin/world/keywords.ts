import { key } from '@opsimath/core/text/key';
import { hashText, mix, unit } from '../random';
import { slotsOf } from './forms';
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
/** How many of the most searched are also misspelt. */
const RESPELT = 2500;

/** Everything that a language's forms can say on a surface, by key; the same for every place and seed. */
export type Sayings = { text: string; identity: string; composed: Composed }[];

export function composeSayings(scenario: Scenario, market: ScenarioMarket): Sayings {
  const sayings = new Map<string, Sayings[number]>();
  for (const [form, weight] of formsOf(scenario, market)) {
    expand(form, weight, optionsOf(scenario, market.language), (text, composed) => {
      const identity = key(text);
      if (!sayings.has(identity)) sayings.set(identity, { text, identity, composed });
    });
  }
  return [...sayings.values()];
}

/** The keywords of a market, with Zipf-like volumes, most searched first. */
export function chooseKeywords(
  sayings: Sayings,
  scenario: Scenario,
  market: ScenarioMarket,
  seed: number,
): WorldKeyword[] {
  const lucky = sayings.map((saying) => withLuck(saying, seed));
  const head = heaviest(lucky, RESPELT);
  const known = new Set(sayings.map(({ identity }) => identity));
  for (const [text, composed] of respell(head, scenario, market.language)) {
    const identity = key(text);
    if (known.has(identity)) continue;
    known.add(identity);
    lucky.push(withLuck({ text, identity, composed }, seed));
  }
  return heaviest(lucky, market.keywords).map(({ text, composed }, rank) => ({
    text,
    volume: round10(market.topVolume * ((HEAD + 1) / (HEAD + 1 + rank)) ** ZIPF),
    season: composed.season,
    trend: (unit(mix(hashText(text), seed + 2)) - 0.5) * 0.5,
    cpc: Math.round(100 * composed.cpc * (0.5 + unit(mix(hashText(text), seed + 3)))) / 100,
  }));
}

function withLuck(saying: Sayings[number], seed: number): Sayings[number] {
  const luck = Math.exp(1.6 * (unit(mix(hashText(saying.identity), seed + 1)) - 0.5));
  return { ...saying, composed: { ...saying.composed, weight: saying.composed.weight * luck } };
}

/** The `count` with the largest weights, in their order. Sorting numbers first spares comparing everything. */
function heaviest(all: Sayings, count: number): Sayings {
  const weights = Float64Array.from(all, ({ composed }) => composed.weight).sort();
  const least = weights[Math.max(0, weights.length - count)] ?? 0;
  return all
    .filter(({ composed }) => composed.weight >= least)
    .sort((a, b) => b.composed.weight - a.composed.weight || (a.identity < b.identity ? -1 : 1))
    .slice(0, count);
}

/** The web's forms serve every surface that has none of its own. */
function formsOf(
  scenario: Scenario,
  { surface, language }: ScenarioMarket,
): readonly (readonly [string, number])[] {
  const vocabulary = scenario.languages[language]!;
  return (surface === 'web' ? undefined : vocabulary[surface]?.keywordForms) ?? vocabulary.keywordForms;
}

/** Every way to fill a form, its weight the product of the words' weights. */
function expand(
  form: string,
  weight: number,
  options: Record<string, Option[]>,
  take: (text: string, composed: Composed) => void,
): void {
  const pieces = form.split(/\{\w+\}/);
  const slots = slotsOf(form).map((slot) => options[slot] ?? []);
  const walk = (at: number, text: string, used: readonly string[], composed: Composed): void => {
    if (at === slots.length) return take(text, composed);
    for (const option of slots[at]!) {
      if (used.includes(option.text)) continue;
      walk(at + 1, text + option.text + pieces[at + 1]!, [...used, option.text], {
        weight: composed.weight * option.weight,
        season: option.season ?? composed.season,
        cpc: composed.cpc * (option.cpc ?? 1),
      });
    }
  };
  walk(0, pieces[0]!, [], { weight, season: 'level', cpc: 1 });
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
function* respell(ranked: Sayings, scenario: Scenario, language: string): Generator<[string, Composed]> {
  const { misspellings, synonyms } = scenario.languages[language]!;
  for (const { text, composed } of ranked) {
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
