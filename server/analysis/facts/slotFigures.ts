import type { FieldStanding } from '@opsimath/core/gap/chance';
import { MEDIAN_COLUMNS } from '../../data/segments/captureColumns';
import type { ColumnStore } from '../kept/columnStore';

/** What a segment of captures says of every slot, and of what stands above each page. */
export interface SlotFigures {
  authority: Uint8Array;
  /** Index into FEATURE_CODES, 0 for none. */
  feature: Uint8Array;
  phrase: Uint8Array;
  titleWords: Uint8Array;
  fieldWords: Uint8Array;
  engagement: Float32Array;
  age: Int32Array;
  updated: Int32Array;
  above: Uint8Array;
  paidAbove: Uint8Array;
  words: Uint8Array;
  medians: Float64Array[];
}

export async function slotFigures(store: ColumnStore, segment: number): Promise<SlotFigures> {
  const medians: Float64Array[] = [];
  for (const name of MEDIAN_COLUMNS) medians.push(await store.column(segment, name));
  return {
    authority: await store.column(segment, 'authority'),
    feature: await store.column(segment, 'feature'),
    phrase: await store.column(segment, 'phrase'),
    titleWords: await store.column(segment, 'titleWords'),
    fieldWords: await store.column(segment, 'fieldWords'),
    engagement: await store.column(segment, 'engagement'),
    age: await store.column(segment, 'age'),
    updated: await store.column(segment, 'updated'),
    above: await store.column(segment, 'above'),
    paidAbove: await store.column(segment, 'paidAbove'),
    words: await store.column(segment, 'words'),
    medians,
  };
}

export function authorityOf(figure: SlotFigures, slot: number): number | null {
  return figure.authority[slot] === 255 ? null : figure.authority[slot]!;
}

export function slotStanding(figure: SlotFigures, slot: number, wordCount: number): FieldStanding {
  return {
    authority: authorityOf(figure, slot),
    phraseInTitle: figure.phrase[slot] === 0 ? 0 : 1,
    wordsInTitle: figure.titleWords[slot]! / wordCount,
    wordsInFields: figure.fieldWords[slot]! / wordCount,
    engagement: known(figure.engagement[slot]!),
    ageDays: figure.age[slot]! < 0 ? null : figure.age[slot]!,
    daysSinceUpdate: figure.updated[slot]! < 0 ? null : figure.updated[slot]!,
  };
}

function known(value: number): number | null {
  return Number.isNaN(value) ? null : value;
}
