/** A title with the words of the keyword marked where they stand. */
export function MarkedPhrase({ text, phrase }: { text: string; phrase: string }) {
  const words = phrase.split(/\s+/).filter(Boolean);
  if (words.length === 0) return text;
  const pattern = new RegExp(
    `(${words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('\\s+')})`,
    'iu',
  );
  const whole = text.split(pattern);
  if (whole.length === 1) return text;
  return whole.map((part, i) => (i % 2 === 1 ? <mark key={i}>{part}</mark> : part));
}
