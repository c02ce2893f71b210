declare module 'snowball-stemmers' {
  export function newStemmer(language: string): { stem(word: string): string };
  const whole: { newStemmer: typeof newStemmer } | undefined;
  export default whole;
}
declare module 'stopword' {
  export const eng: string[];
  export const deu: string[];
  export const spa: string[];
}
declare module 'damerau-levenshtein' {
  export default function distance(a: string, b: string): { steps: number };
}
declare module 'double-metaphone' {
  export function doubleMetaphone(word: string): [string, string];
}
