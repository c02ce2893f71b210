/** Kinds of pages, as far as their address tells. */
export const PAGE_KINDS = [
  'item',
  'collection',
  'search page',
  'archive',
  'article',
  'talk',
  'home',
  'unknown',
] as const;
export type PageKind = (typeof PAGE_KINDS)[number];
/** Path parts that tell a kind: lower case, without slashes. */
export type PathRules = Partial<Record<PageKind, readonly string[]>>;

export const PATH_RULES: PathRules = {
  item: ['product', 'products', 'item', 'items', 'p', 'listing', 'buy'],
  collection: [
    'collection',
    'collections',
    'category',
    'categories',
    'c',
    'range',
    'ranges',
    'shop',
    'store',
  ],
  'search page': ['search', 'find', 'results'],
  archive: ['tag', 'tags', 'archive', 'archives', 'author', 'page'],
  article: [
    'blog',
    'read',
    'guide',
    'guides',
    'news',
    'article',
    'articles',
    'journal',
    'magazine',
    'how-to',
  ],
  talk: ['talk', 'forum', 'forums', 'thread', 'threads', 'community', 'questions'],
};

/** What somebody said of single pages by hand, by address; `by rule` takes it back. */
export type KindsByHand = Readonly<Record<string, PageKind | 'by rule'>>;

/**
 * The kind of a page: as somebody said by hand, else by the last part of its path that tells one; a page without a path is home.
 * @param address host and path, with or without scheme; by hand without
 */
export function pageKind(address: string, rules: PathRules = PATH_RULES, byHand: KindsByHand = {}): PageKind {
  const said = Object.hasOwn(byHand, address) ? byHand[address]! : 'by rule';
  if (said !== 'by rule') return said;
  const parts = address
    .replace(/^[a-z]+:\/\//i, '')
    .replace(/[?#].*$/, '')
    .toLowerCase()
    .split('/')
    .slice(1)
    .filter((part) => part !== '');
  if (parts.length === 0) return 'home';
  for (const part of parts.reverse())
    for (const kind of PAGE_KINDS) if (rules[kind]?.includes(part)) return kind;
  return 'unknown';
}
