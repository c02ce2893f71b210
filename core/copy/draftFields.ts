import { ofEachSurface } from '../text/surfaces';
import type { Unit } from './measure';

export const DRAFT_KINDS = ['page', 'video', 'listing', 'channel', 'ad group'] as const;
export type DraftKind = (typeof DRAFT_KINDS)[number];

/** What can be written on each surface; the first is what its targets are. */
export const KINDS_OF = ofEachSurface('drafts') satisfies Record<string, readonly DraftKind[]>;

/** Limit of a field, or of each of its slots. */
export interface Limit {
  most: number;
  unit: Unit;
}

/** A field of a draft. One with several slots holds one a line, and the limit is each slot’s. */
export interface DraftField {
  name: string;
  limit: Limit;
  slots: number;
  /** Nobody sees it but search: leftover words and other spellings may stand here. */
  isHidden?: boolean;
  /** Its limit is that of all lines together. */
  isShared?: boolean;
}

const characters = (most: number): Limit => ({ most, unit: 'characters' });

/** Fields of each kind in the order in which they are written, with their usual limits. All can be set otherwise. */
export const DRAFT_FIELDS: Record<DraftKind, readonly DraftField[]> = {
  page: [
    { name: 'title', limit: characters(60), slots: 1 },
    { name: 'description', limit: characters(155), slots: 1 },
    { name: 'headings', limit: characters(70), slots: 12 },
    { name: 'body', limit: characters(100_000), slots: 1 },
  ],
  video: [
    { name: 'title', limit: characters(100), slots: 1 },
    { name: 'description', limit: characters(5000), slots: 1 },
    { name: 'tags', limit: characters(500), slots: 30, isShared: true },
  ],
  listing: [
    { name: 'title', limit: characters(200), slots: 1 },
    { name: 'bullets', limit: characters(250), slots: 5 },
    { name: 'description', limit: characters(2000), slots: 1 },
    { name: 'hidden search terms', limit: { most: 250, unit: 'bytes' }, slots: 5, isHidden: true },
  ],
  channel: [{ name: 'channel keywords', limit: characters(500), slots: 1 }],
  'ad group': [],
};

/** Limits to choose from, by field: surfaces and categories differ. */
export const PRESETS: Readonly<Record<string, readonly Limit[]>> = {
  title: [
    ...[60, 80, 100, 150, 200, 250].map(characters),
    { most: 200, unit: 'bytes' },
    { most: 580, unit: 'pixels' },
  ],
  description: [...[155, 500, 1000, 2000, 5000].map(characters), { most: 920, unit: 'pixels' }],
  bullets: [150, 250, 500].map(characters),
  'hidden search terms': [
    { most: 250, unit: 'bytes' },
    { most: 500, unit: 'bytes' },
    { most: 50, unit: 'characters' },
  ],
  tags: [500, 400, 20].map(characters),
  headings: [70, 100].map(characters),
};

/** What its kind has, with the limits that a draft sets otherwise. */
export function fieldsOfDraft(kind: DraftKind, limits: Readonly<Record<string, Limit>>): DraftField[] {
  return DRAFT_FIELDS[kind].map((field) => ({ ...field, limit: limits[field.name] ?? field.limit }));
}

/** The lines of a field as its slots hold them. */
export const slotsOf = (text: string): string[] => (text === '' ? [] : text.split('\n'));
