import { key } from '@opsimath/core/text/key';
import type { Scenario, Vocabulary } from '../world/scenario';

/** Longest entries first, so that "bolsa de cuadro" is one thing. */
type Dictionary = readonly (readonly [string, string])[];

/** Translates by the scenario's small dictionary; a text of which no word is known has no translation. */
export class Translator {
  private readonly dictionaries = new Map<string, Dictionary>();

  constructor(private readonly scenario: Scenario) {}

  translate(text: string, from: string, to: string): string | null {
    const dictionary = this.dictionary(from, to);
    let rest = ` ${key(text)} `;
    let known = 0;
    const parts: string[] = [];
    while (rest.trim() !== '') {
      rest = ` ${rest.trim()} `;
      const entry = dictionary.find(([source]) => rest.startsWith(` ${source} `));
      if (entry) {
        known++;
        parts.push(entry[1]);
        rest = rest.slice(entry[0].length + 1);
      } else {
        const word = rest.trim().split(' ')[0]!;
        parts.push(word);
        rest = rest.slice(word.length + 1);
      }
    }
    return known === 0 ? null : parts.join(' ');
  }

  private dictionary(from: string, to: string): Dictionary {
    const name = `${from}:${to}`;
    let found = this.dictionaries.get(name);
    if (!found) this.dictionaries.set(name, (found = this.build(from, to)));
    return found;
  }

  private build(from: string, to: string): Dictionary {
    const source = this.scenario.languages[from];
    const target = this.scenario.languages[to];
    if (!source || !target) return [];
    const pairs = new Map<string, string>();
    const sourceWords = entriesOf(source);
    const targetWords = entriesOf(target);
    sourceWords.forEach((word, i) => {
      if (targetWords[i] !== undefined && !pairs.has(key(word))) pairs.set(key(word), targetWords[i]);
    });
    // Function words are listed from the first language into the others.
    for (const [word, other] of Object.entries(target.functionWords))
      pairs.set(word, pairs.get(word) ?? other);
    for (const [word, other] of Object.entries(source.functionWords))
      pairs.set(key(other), pairs.get(key(other)) ?? word);
    return [...pairs].sort((a, b) => b[0].length - a[0].length);
  }
}

/** The words of a vocabulary in an order that all languages share. */
function entriesOf(vocabulary: Vocabulary): string[] {
  const lists = [
    vocabulary.attributes,
    vocabulary.materials,
    vocabulary.uses,
    vocabulary.fittings,
    vocabulary.colours,
    vocabulary.places,
  ];
  return [
    ...vocabulary.products.flatMap(({ one, many }) => [one, many]),
    ...lists.flatMap((list) => list.map(([word]) => word)),
  ];
}
