/** What tells a surface from the others. */
interface SurfaceRow {
  /** What is found there, what several of them belong to, and what can be written for it; the first is what is found. */
  target: string;
  parent: string;
  drafts: readonly string[];
  /** What is made where no target of ours covers a keyword, and what putting its words into a title is called. */
  newTarget: string;
  retitle: string;
  /** Things are sold there: a front has prices, ratings and sales, and a click is worth what it buys. */
  sells: boolean;
  /** Figures of a public record that are kept with each slot. */
  recordFigures: readonly string[];
  /** What only we know of a target of ours. */
  privateFields: readonly string[];
  /** c1 and b of the click-through prior (method §3). */
  prior: { first: number; decay: number };
  /** Usual settings: days ahead that are foretold, days until a figure is old, days after a change to look again. */
  horizon: number;
  oldAfter: number;
  lookAgain: readonly number[];
  /** Characters from which on a title is too long; tags of a target and characters of all, where it has them. */
  titleLimit: number;
  tags: { tags: number; characters: number } | null;
}

/**
 * Where people search, a row each. A new surface is a row here; beside it only what cannot be said in a row: how its
 * addresses are read, what the figures of a front card are called, and its words (docs/how-to.md).
 */
export const SURFACE_ROWS = {
  web: {
    target: 'page',
    parent: 'site',
    drafts: ['page', 'ad group'],
    newTarget: 'new page',
    retitle: 'retitle',
    sells: false,
    recordFigures: [],
    privateFields: ['draft notes'],
    prior: { first: 0.3, decay: 1.0 },
    horizon: 60,
    oldAfter: 60,
    lookAgain: [3, 7, 14, 28],
    titleLimit: 60,
    tags: null,
  },
  video: {
    target: 'video',
    parent: 'channel',
    drafts: ['video', 'channel', 'ad group'],
    newTarget: 'new video',
    retitle: 'retitle',
    sells: false,
    recordFigures: ['views', 'likes', 'length'],
    privateFields: ['channel keywords', 'draft notes'],
    prior: { first: 0.22, decay: 0.8 },
    horizon: 30,
    oldAfter: 60,
    lookAgain: [3, 7, 14, 28],
    titleLimit: 100,
    tags: { tags: 30, characters: 500 },
  },
  marketplace: {
    target: 'listing',
    parent: 'shop',
    drafts: ['listing', 'ad group'],
    newTarget: 'new listing',
    retitle: 'add the words',
    sells: true,
    recordFigures: ['price', 'rating', 'reviews', 'sales rank'],
    privateFields: ['hidden search terms', 'draft notes'],
    prior: { first: 0.24, decay: 0.9 },
    horizon: 30,
    oldAfter: 60,
    lookAgain: [3, 7, 14, 28],
    titleLimit: 200,
    tags: { tags: 10, characters: 250 },
  },
} as const satisfies Record<string, SurfaceRow>;

type Rows = typeof SURFACE_ROWS;
export type Surface = keyof Rows;
/** Surfaces whose targets bear tags. */
export type TaggedSurface = { [S in Surface]: Rows[S]['tags'] extends null ? never : S }[Surface];

export const SURFACES = Object.keys(SURFACE_ROWS) as [Surface, ...Surface[]];
export const isTagged = (surface: Surface): surface is TaggedSurface => SURFACE_ROWS[surface].tags !== null;
export const TAGGED_SURFACES = SURFACES.filter(isTagged);

/**
 * One part of each row.
 * @example ofEachSurface('target').video // 'video'
 */
export function ofEachSurface<Part extends keyof SurfaceRow>(part: Part): { [S in Surface]: Rows[S][Part] } {
  return bySurface((_, surface) => SURFACE_ROWS[surface][part]) as { [S in Surface]: Rows[S][Part] };
}

/** Something for each surface. */
export function bySurface<T>(of: (row: SurfaceRow, surface: Surface) => T): Record<Surface, T> {
  return Object.fromEntries(
    SURFACES.map((surface) => [surface, of(SURFACE_ROWS[surface], surface)]),
  ) as Record<Surface, T>;
}

/** Whether things are sold there. */
export const sells = (surface: Surface): boolean => SURFACE_ROWS[surface].sells;
