import type { Draws } from '../random';
import type { Vocabulary } from './scenario';

/** What fills the slots of a form, by slot name in lower case. */
export type Filling = Record<string, string>;

/** Draws one coherent set of words: the same product, use and material go through a whole document. */
export function drawFilling(
  vocabulary: Vocabulary,
  brands: readonly string[],
  draws: Draws,
  products: Vocabulary['products'],
): Filling {
  const first = draws.weighted(products.map((product) => [product, product.weight] as const));
  const others = vocabulary.products.filter((product) => product !== first);
  const second = draws.weighted(others.map((product) => [product, product.weight] as const));
  return {
    product: first.one,
    products: first.many,
    product2: second.one,
    products2: second.many,
    attribute: draws.weighted(vocabulary.attributes),
    attribute2: draws.weighted(vocabulary.attributes),
    material: draws.weighted(vocabulary.materials),
    material2: draws.weighted(vocabulary.materials),
    use: draws.weighted(vocabulary.uses),
    fitting: draws.weighted(vocabulary.fittings),
    size: draws.weighted(vocabulary.sizes),
    colour: draws.weighted(vocabulary.colours),
    place: draws.weighted(vocabulary.places),
    year: draws.weighted(vocabulary.years),
    brand: draws.one(brands),
    brand2: draws.one(brands),
    model: draws.one(vocabulary.models),
    n: String(draws.whole(3, 14)),
    owner: '',
  };
}

/** Fills a form. A slot that starts with a capital gets its words capitalised. */
export function fill(form: string, filling: Filling): string {
  return form.replace(/\{(\w+)\}/g, (_, slot: string) => {
    const words = filling[slot.toLowerCase()];
    if (words === undefined)
      throw new Error(`The form "${form}" asks for {${slot}}, which the vocabulary lacks.`);
    return /^[A-Z]/.test(slot) ? words.replace(/(^|\s)\p{L}/gu, (letter) => letter.toUpperCase()) : words;
  });
}

export function slotsOf(form: string): string[] {
  return [...form.matchAll(/\{(\w+)\}/g)].map((match) => match[1]!);
}
