/** What is said of ourselves, and how the same is said of somebody else. The first that fits counts. */
const SAID: readonly (readonly [RegExp, string])[] = [
  [/\bwe stand\b/gi, 'it stands'],
  [/\bwe are\b/gi, 'it is'],
  [/\bwe do not\b/gi, 'it does not'],
  [/\bwe pay\b/gi, 'it pays'],
  [/\bwe hold\b/gi, 'it holds'],
  [/\bwe or all rivals\b/gi, 'it or all rivals'],
  [/\bof ours\b/gi, 'of its own'],
  [/\bagainst ours\b/gi, 'against its own'],
  [/\bis ours\b/gi, 'is its own'],
  [/\bof our\b/gi, 'of its'],
  [/\bour\b/gi, 'its'],
  [/\bbefore us\b/gi, 'before it'],
  [/\bwe\b/gi, 'it'],
];

/** A sentence that was written of ourselves, as it is said of somebody whose target is looked at: we stand → it stands. */
export function ofAnother(text: string): string {
  return SAID.reduce(
    (told, [pattern, words]) =>
      told.replace(pattern, (found) =>
        found[0] === found[0]!.toUpperCase() ? words[0]!.toUpperCase() + words.slice(1) : words,
      ),
    text,
  );
}
