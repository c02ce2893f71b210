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

/**
 * The kind of a page by the last part of its path that tells one; a page without a path is home.
 * @param address host and path, with or without scheme
 */
export function pageKind(address: string, rules: PathRules = PATH_RULES): PageKind {
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
