/** fit of method §8 by verdict. */
export const FIT = { fit: 1, unjudged: 0.7, adjacent: 0.4, off: 0 } as const;
