/** Words that say themselves. */
export const plain = <T extends string>(values: readonly T[]): { value: T; label: string }[] =>
  values.map((value) => ({ value, label: value }));
