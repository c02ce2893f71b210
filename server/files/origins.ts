// Where a row of own figures is from: device and country, as numbers that are stored.

/** Codes of the `device` column: they are stored and never change. */
const DEVICE_CODES = { none: 0, desktop: 1, mobile: 2, tablet: 3, other: 4 } as const;

const DEVICE_WORDS: Record<string, keyof typeof DEVICE_CODES> = {
  '': 'none',
  desktop: 'desktop',
  computer: 'desktop',
  ordenador: 'desktop',
  mobile: 'mobile',
  phone: 'mobile',
  smartphone: 'mobile',
  mobil: 'mobile',
  móvil: 'mobile',
  tablet: 'tablet',
};

export function deviceCode(text: string): number {
  const word = text.trim().toLowerCase();
  return DEVICE_CODES[DEVICE_WORDS[word] ?? DEVICE_WORDS[word.replace(/s$/, '')] ?? 'other'];
}

/**
 * Two letters as one number, so that a code needs no list: `us`, `US` and names that a person would write become their
 * code. 0 where nothing is said or nothing is known by that name.
 */
export function countryCode(text: string): number {
  const code = countryLetters(text);
  return code === '' ? 0 : code.charCodeAt(0) * 256 + code.charCodeAt(1);
}

/** Two capital letters for a country as files write it; `''` for what is none. */
export function countryLetters(text: string): string {
  const word = text.trim().toLowerCase();
  const known = COUNTRY_WORDS.get(word);
  if (known !== undefined) return known;
  return /^[a-z]{2}$/.test(word) ? word.toUpperCase() : '';
}

/** Two letters for a language as files write it (`en`, `en-US`, `English`); `''` for what is none. */
export function languageLetters(text: string): string {
  const word = text.trim().toLowerCase();
  const known = LANGUAGE_WORDS.get(word);
  if (known !== undefined) return known;
  return /^[a-z]{2}([-_][a-z]{2,4})?$/.test(word) ? word.slice(0, 2) : '';
}

/** Names of countries and languages in the languages of heads, from what the machine itself knows of them. */
const IN = ['en', 'de', 'es'];
const COUNTRY_WORDS = namesOf('region', letters(), (code) => code);
const LANGUAGE_WORDS = namesOf(
  'language',
  letters().map((code) => code.toLowerCase()),
  (code) => code,
);
for (const [word, code] of [
  ['usa', 'US'],
  ['gbr', 'GB'],
  ['deu', 'DE'],
  ['esp', 'ES'],
  ['uk', 'GB'],
  ['great britain', 'GB'],
  ['england', 'GB'],
] as const)
  COUNTRY_WORDS.set(word, code);

function letters(): string[] {
  const signs = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
  return signs.flatMap((first) => signs.map((second) => first + second));
}

function namesOf(
  type: 'region' | 'language',
  codes: readonly string[],
  as: (code: string) => string,
): Map<string, string> {
  const words = new Map<string, string>();
  for (const language of IN) {
    const names = new Intl.DisplayNames([language], { type, fallback: 'none' });
    for (const code of codes) {
      const name = names.of(code);
      if (name !== undefined) words.set(name.toLowerCase(), as(code));
    }
  }
  return words;
}
