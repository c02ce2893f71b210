/** Where people search. A new surface is a word here; what else it needs, the compiler asks for (docs/how-to.md). */
export const SURFACES = ['web', 'video', 'marketplace'] as const;
export type Surface = (typeof SURFACES)[number];
