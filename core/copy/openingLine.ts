import { key, words } from '../text/key';
import { LANGUAGES, type Language } from '../text/languages';

/** What an opening line can do for its reader. */
export const OPENING_TICKS = [
  'names the want',
  'names the hindrance',
  'names the help',
  'speaks to the reader',
  'lead keyword within 160 characters',
  'brand is not first',
] as const;
export type OpeningTick = (typeof OPENING_TICKS)[number];

/** Characters of an opening line that are read. */
export const OPENING = 160;

const LISTS: Record<Language, Record<'want' | 'hindrance' | 'help' | 'reader', readonly string[]>> = {
  en: {
    want: ['want', 'need', 'looking', 'love', 'wish', 'dream', 'ready', 'searching', 'prefer', 'enjoy'],
    hindrance: [
      'but',
      'tired',
      'without',
      'no more',
      'never',
      'problem',
      'struggle',
      'worry',
      'hard',
      'wet',
      'lose',
      'instead of',
      'stop',
      'avoid',
    ],
    help: [
      'help',
      'helps',
      'keeps',
      'keep',
      'makes',
      'lets',
      'so that',
      'fits',
      'protects',
      'saves',
      'solves',
    ],
    reader: ['you', 'your', 'yours', 'yourself'],
  },
  de: {
    want: [
      'willst',
      'wollen',
      'möchtest',
      'möchten',
      'suchst',
      'suchen',
      'brauchst',
      'brauchen',
      'wunsch',
      'liebst',
    ],
    hindrance: [
      'aber',
      'ohne',
      'nie',
      'nie wieder',
      'problem',
      'schwer',
      'nass',
      'statt',
      'schluss',
      'müde',
      'sorge',
    ],
    help: ['hilft', 'hält', 'macht', 'lässt', 'damit', 'passt', 'schützt', 'spart', 'löst'],
    reader: ['du', 'dein', 'deine', 'deinen', 'dir', 'dich', 'sie', 'ihr', 'ihre', 'ihren'],
  },
  es: {
    want: ['quieres', 'quiere', 'buscas', 'busca', 'necesitas', 'necesita', 'deseas', 'sueñas'],
    hindrance: ['pero', 'sin', 'nunca', 'problema', 'difícil', 'mojado', 'cansado', 'evita', 'en lugar de'],
    help: ['ayuda', 'mantiene', 'hace', 'permite', 'para que', 'protege', 'ahorra', 'resuelve', 'encaja'],
    reader: ['tú', 'tu', 'tus', 'te', 'usted', 'su', 'sus', 'vosotros'],
  },
};

/** The first sentence of a text, at most as long as is read. */
export function openingOf(text: string): string {
  const [line = ''] = text.trimStart().split(/(?<=[.!?。])\s|\n/u);
  return [...line].slice(0, OPENING).join('');
}

/**
 * What the first sentence of a text does, by lists of words (method §12). It is a hint: whoever reads it may say otherwise.
 *
 * @param lead key of the lead keyword; empty for none
 * @param brands keys of our own name in any spelling
 */
export function openingTicks(
  text: string,
  lead: string,
  brands: readonly string[],
  language: string,
): Record<OpeningTick, boolean> {
  const said = ` ${words(key(openingOf(text))).join(' ')} `;
  const read = ` ${words(key([...text.trimStart()].slice(0, OPENING).join(''))).join(' ')} `;
  const lists = LISTS[LANGUAGES.find((one) => one === language) ?? 'en'];
  const holds = (list: readonly string[]): boolean => list.some((word) => said.includes(` ${key(word)} `));
  return {
    'names the want': holds(lists.want),
    'names the hindrance': holds(lists.hindrance),
    'names the help': holds(lists.help),
    'speaks to the reader': holds(lists.reader),
    'lead keyword within 160 characters': lead !== '' && read.includes(` ${lead} `),
    'brand is not first':
      said.trim() !== '' && !brands.some((brand) => brand !== '' && said.startsWith(` ${brand} `)),
  };
}
