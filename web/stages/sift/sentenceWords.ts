import { wordOf } from '../../words/t';

/** Words that say themselves. */
export const plain = <T extends string>(values: readonly T[]): { value: T; label: string }[] =>
  values.map((value) => ({ value, label: wordOf(value) }));
