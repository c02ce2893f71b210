import type { TargetVersion } from '@opsimath/contract/api/targets';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';

/** Fields in words that two records differ in, in the order title, description, others. Figures drift and are left out. */
export function fieldChanges(before: SourceFullRecord, after: SourceFullRecord): TargetVersion['changes'] {
  const names = [...new Set([...Object.keys(before.fields), ...Object.keys(after.fields)])];
  const pairs: [string, string, string][] = [
    ['title', before.title, after.title],
    ['description', before.description, after.description],
    ...names.map((name): [string, string, string] => [
      name,
      before.fields[name] ?? '',
      after.fields[name] ?? '',
    ]),
    ...(['price'] as const).map((name): [string, string, string] => [
      name,
      String(before.figures[name] ?? ''),
      String(after.figures[name] ?? ''),
    ]),
  ];
  return pairs
    .filter(([, old, now]) => old !== now)
    .map(([field, old, now]) => ({ field, before: old, after: now }));
}

/** What a target of each kind can fill. Private fields count where the surface has them. */
const FIELDS: Partial<
  Record<SourceFullRecord['kind'], { words: readonly string[]; own: readonly string[] }>
> = {
  page: { words: ['title', 'description', 'headings', 'body'], own: [] },
  video: { words: ['title', 'description', 'tags'], own: [] },
  channel: { words: ['title', 'description', 'keywords'], own: [] },
  listing: {
    words: ['title', 'description', 'bullets', 'tags'],
    own: ['hidden search terms'],
  },
};

/** How many fields of its surface an own target has filled, the empty ones named; images are counted in words. */
export function fieldsFilled(
  record: SourceFullRecord,
  privateFields: Readonly<Record<string, string>>,
): { full: number; of: number; empty: string[] } | null {
  const fields = FIELDS[record.kind];
  if (!fields) return null;
  const valueOf = (name: string): string =>
    name === 'title'
      ? record.title
      : name === 'description'
        ? record.description
        : (record.fields[name] ?? '');
  const empty = [
    ...fields.words.filter((name) => valueOf(name).trim() === ''),
    ...fields.own.filter((name) => (privateFields[name] ?? '').trim() === ''),
  ];
  const images = record.figures.images;
  if (record.kind === 'listing' && images !== undefined && (images ?? 0) === 0) empty.push('images');
  const of = fields.words.length + fields.own.length + (record.kind === 'listing' ? 1 : 0);
  return { full: of - empty.length, of, empty };
}

/** Everything a record says in words: what likeness is measured on. */
export function wordsOf(
  record: Pick<SourceFullRecord, 'title'> & { fields?: Record<string, string> },
  facts: Readonly<Record<string, string>> = {},
): string {
  return [
    record.title,
    record.fields?.tags ?? '',
    record.fields?.bullets ?? '',
    ...Object.values(facts),
  ].join('\n');
}
