/** Fields of the fact card, in their order. */
export const FACT_FIELDS = [
  'type',
  'features',
  'uses',
  'audiences',
  'occasions',
  'materials',
  'price',
] as const;
