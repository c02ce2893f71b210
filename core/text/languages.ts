/** Languages with a stemmer and stop words; any other language is matched by exact words only. */
export const LANGUAGES = ['en', 'de', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];
