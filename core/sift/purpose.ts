import { words } from '../text/key';
import type { Language } from '../text/languages';

/** What a search is for: to get to a place known by name, to choose, to learn, to buy; unclear where nothing tells. */
export const PURPOSES = ['seek', 'weigh', 'learn', 'buy', 'unclear'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** Words that tell a purpose. Phrases are keys of several words. */
export interface PurposeWords {
  seek: readonly string[];
  weigh: readonly string[];
  learn: readonly string[];
}

export const PURPOSE_WORDS: Record<Language, PurposeWords> = {
  en: {
    seek: ['pdf', 'login', 'near me', 'website', 'address', 'opening hours', 'phone number', 'catalogue'],
    weigh: [
      'vs',
      'versus',
      'best',
      'top',
      'review',
      'reviews',
      'compare',
      'comparison',
      'alternative',
      'alternatives',
      'cheapest',
      'better than',
      'test',
    ],
    learn: [
      'how',
      'what',
      'why',
      'when',
      'where',
      'who',
      'which',
      'can',
      'does',
      'is',
      'are',
      'should',
      'guide',
      'ideas',
      'tutorial',
      'diy',
      'tips',
    ],
  },
  de: {
    seek: [
      'pdf',
      'anmelden',
      'in der nähe',
      'webseite',
      'adresse',
      'öffnungszeiten',
      'telefonnummer',
      'katalog',
    ],
    weigh: [
      'vs',
      'oder',
      'beste',
      'bester',
      'besten',
      'test',
      'testsieger',
      'vergleich',
      'erfahrungen',
      'bewertung',
      'alternative',
      'günstigste',
    ],
    learn: [
      'wie',
      'was',
      'warum',
      'wann',
      'wo',
      'wer',
      'welche',
      'welcher',
      'kann',
      'anleitung',
      'ideen',
      'selber',
      'tipps',
    ],
  },
  es: {
    seek: [
      'pdf',
      'iniciar sesión',
      'cerca de mí',
      'sitio web',
      'dirección',
      'horario',
      'teléfono',
      'catálogo',
    ],
    weigh: [
      'vs',
      'mejor',
      'mejores',
      'opiniones',
      'comparar',
      'comparativa',
      'alternativa',
      'reseña',
      'reseñas',
      'más barato',
    ],
    learn: [
      'cómo',
      'como',
      'qué',
      'que',
      'por qué',
      'cuándo',
      'dónde',
      'quién',
      'cuál',
      'guía',
      'ideas',
      'tutorial',
      'consejos',
    ],
  },
};

/** What is known of a keyword beside its words. */
export interface PurposeSigns {
  /** Paid slots of its newest capture; `null` without one. */
  paidSlots: number | null;
  /** Whether its CPC is in the top 40 % of the pool; `null` where it is unknown. */
  dearClick: boolean | null;
  /** Share of the front that are item pages or listings, 0–1; `null` without a capture. */
  itemShare: number | null;
}

/**
 * Reads the purpose of searches, by the first rule that holds: a name, place or kind of file → seek; words that compare
 * → weigh; words that ask → learn; two of (at least 3 paid slots, CPC in the top 40 %, half the front item pages or
 * listings, at least 4 words) → buy; else unclear.
 *
 * @param names keys of brands and places
 * @returns what reads a keyword key (§1): the purpose with its evidence in words
 */
export function purposeReader(
  tell: PurposeWords,
  names: readonly string[],
): (key: string, signs: PurposeSigns) => { purpose: Purpose; evidence: string } {
  const phrases = [
    ...names.map((text) => ({ text, purpose: 'seek' as const, evidence: `“${text}” is a name` })),
    ...(['seek', 'weigh', 'learn'] as const).flatMap((purpose) =>
      tell[purpose].map((text) => ({ text, purpose, evidence: `“${text}” stands in it` })),
    ),
  ].map((phrase, rank) => ({ ...phrase, rank }));
  const byFirst = new Map<string, typeof phrases>();
  for (const phrase of phrases) {
    const first = words(phrase.text)[0];
    if (first === undefined) continue;
    const alike = byFirst.get(first);
    if (alike) alike.push(phrase);
    else byFirst.set(first, [phrase]);
  }
  return (key, signs) => {
    const own = words(key);
    let told: (typeof phrases)[number] | undefined;
    for (const word of own)
      for (const phrase of byFirst.get(word) ?? [])
        if ((told === undefined || phrase.rank < told.rank) && ` ${key} `.includes(` ${phrase.text} `))
          told = phrase;
    if (told !== undefined) return { purpose: told.purpose, evidence: told.evidence };
    const signsOfBuying: string[] = [];
    if (signs.paidSlots !== null && signs.paidSlots >= 3) signsOfBuying.push(`${signs.paidSlots} paid slots`);
    if (signs.dearClick === true) signsOfBuying.push('CPC in the top 40 %');
    if (signs.itemShare !== null && signs.itemShare >= 0.5)
      signsOfBuying.push(`${Math.round(100 * signs.itemShare)} % of the front are items`);
    if (own.length >= 4) signsOfBuying.push(`${own.length} words`);
    return signsOfBuying.length >= 2
      ? { purpose: 'buy', evidence: signsOfBuying.join(', ') }
      : {
          purpose: 'unclear',
          evidence: signsOfBuying.length === 1 ? `only ${signsOfBuying[0]}` : 'no sign of any',
        };
  };
}
