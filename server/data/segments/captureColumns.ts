import { viewsADay } from '@opsimath/core/ranking/front';
import { DAY_MS } from '@opsimath/core/day';
import { ofEachSurface } from '@opsimath/core/text/surfaces';
import type { ResultPagesAnswer, SlotKind, SourceRecord, Surface } from '@opsimath/contract/source/answers';
import {
  type PreparedText,
  hasAsTyped,
  prepareKeyword,
  prepareText,
  textStanding,
} from '@opsimath/core/gap/textStanding';
import { median } from '@opsimath/core/ranking/statistics';
import { key } from '@opsimath/core/text/key';
import type { Columns } from './columns';

/** Codes of the `feature` column. */
export const FEATURE_CODES: readonly (SlotKind | '')[] = [
  '',
  'answer box',
  'image block',
  'video block',
  'related searches',
];
/** Bits of the `above` column: what stands above the first organic slot. */
export const ABOVE = { answerBox: 1, imageBlock: 2, videoBlock: 4 } as const;
/** The seven medians of method §6 as columns. */
export const MEDIAN_COLUMNS = ['m0', 'm1', 'm2', 'm3', 'm4', 'm5', 'm6'] as const;

/** Figures of a public record that are kept with each slot, by surface. */
export const FIGURE_COLUMNS: Record<Surface, readonly string[]> = ofEachSurface('recordFigures');

/** Codes of the `phrase` column: whether the title has the keyword, letter by letter or in another form of its words. */
export const PHRASE = { asTyped: 1, otherForm: 2 } as const;

const MEDIAN_DEPTH = 50;
const NO_AUTHORITY = 255;
const NO_DAYS = -1;

interface Ids {
  keyword: ReadonlyMap<string, number>;
  place: ReadonlyMap<string, number>;
  version: ReadonlyMap<string, number>;
}

/**
 * Result pages as columns: one entry a capture (keyword, depth, what stands above, medians, where its slots
 * start), and one entry a slot (place, words, positions, figures), in the order of the pages.
 * Pages of keywords that have no id are left out.
 */
export function captureColumns(
  answer: ResultPagesAnswer,
  date: string,
  ids: Ids,
  { surface, language }: { surface: Surface; language: string },
): { columns: Columns; captures: number } {
  const pages = answer.pages
    .flatMap((page) => {
      const id = ids.keyword.get(key(page.keyword));
      return id === undefined ? [] : [{ page, id }];
    })
    .sort((a, b) => a.id - b.id);
  const records = answer.records.map((record) => prepareRecord(record, date, ids, language));
  const slots = pages.flatMap(({ page }) => page.slots);
  const capture = captureSide(pages.length);
  const slot = slotSide(slots.length);
  const figureNames = FIGURE_COLUMNS[surface];
  const figures = figureNames.map(() => new Float64Array(slots.length).fill(NaN));
  let at = 0;
  pages.forEach(({ page, id }, i) => {
    const keyword = prepareKeyword(key(page.keyword), language);
    const wordCount = keyword.content.length;
    const measured: number[][] = [[], [], [], [], [], [], []];
    let organicSeen = false;
    capture.keyword[i] = id;
    capture.depth[i] = page.depth;
    capture.results[i] = page.results ?? NaN;
    capture.words[i] = wordCount;
    capture.slotStart[i] = at;
    capture.slotCount[i] = page.slots.length;
    for (const entry of [...page.slots].sort((a, b) => a.slot - b.slot)) {
      slot.slot[at] = Math.min(255, entry.slot);
      slot.organic[at] = entry.kind === 'organic' ? (entry.position ?? 0) : 0;
      slot.paid[at] = entry.kind === 'paid' ? (entry.position ?? 0) : 0;
      slot.feature[at] = Math.max(0, FEATURE_CODES.indexOf(entry.kind));
      if (entry.kind === 'organic') organicSeen = true;
      if (!organicSeen) noteAbove(capture, i, entry.kind);
      const record = entry.record === null ? undefined : records[entry.record];
      if (record) {
        const standing = textStanding(keyword, record.text);
        slot.place[at] = record.place;
        slot.version[at] = record.version;
        slot.authority[at] = record.authority ?? NO_AUTHORITY;
        slot.phrase[at] = hasAsTyped(keyword, record.text)
          ? PHRASE.asTyped
          : standing.phraseInTitle === 1
            ? PHRASE.otherForm
            : 0;
        slot.titleWords[at] = Math.round(standing.wordsInTitle * wordCount);
        slot.fieldWords[at] = Math.round(standing.wordsInFields * wordCount);
        slot.engagement[at] = record.engagement ?? NaN;
        figureNames.forEach((name, f) => (figures[f]![at] = record.figures[name] ?? NaN));
        slot.age[at] = record.age ?? NO_DAYS;
        slot.updated[at] = record.updated ?? NO_DAYS;
        if (entry.kind === 'organic' && (entry.position ?? MEDIAN_DEPTH + 1) <= MEDIAN_DEPTH) {
          [
            record.authority,
            standing.phraseInTitle,
            standing.wordsInTitle,
            standing.wordsInFields,
            record.engagement,
            record.age,
            record.updated,
          ].forEach((value, feature) => {
            if (value !== null) measured[feature]!.push(value);
          });
        }
      }
      at++;
    }
    MEDIAN_COLUMNS.forEach((name, feature) => (capture[name][i] = median(measured[feature]!) ?? NaN));
  });
  const figureColumns = Object.fromEntries(figureNames.map((name, f) => [name, figures[f]!]));
  return { columns: { ...capture, ...slot, ...figureColumns }, captures: pages.length };
}

interface PreparedRecord {
  text: PreparedText;
  place: number;
  version: number;
  authority: number | null;
  age: number | null;
  updated: number | null;
  engagement: number | null;
  figures: SourceRecord['figures'];
}

function prepareRecord(record: SourceRecord, date: string, ids: Ids, language: string): PreparedRecord {
  const authority = record.figures.authority ?? null;
  return {
    text: preparedWords(record, language),
    place: ids.place.get(record.address) ?? 0,
    version: ids.version.get(record.address) ?? 0,
    authority: authority === null ? null : Math.round(authority),
    age: daysBefore(record.published, date),
    updated: daysBefore(record.updated, date),
    engagement: engagementOf(record.figures, daysBefore(record.published, date)),
    figures: record.figures,
  };
}

const RANK_SCALE = 1e6;

/** Views a day, else inverse sales rank (in millionths), else the number of ratings (method §6). */
function engagementOf(figures: SourceRecord['figures'], ageDays: number | null): number | null {
  const views = viewsADay(figures.views, ageDays);
  if (views !== null) return views;
  if (typeof figures['sales rank'] === 'number') return RANK_SCALE / figures['sales rank'];
  return figures.reviews ?? null;
}

/** The same records come with every batch: their words are prepared once. */
const prepared = new Map<string, PreparedText>();
const MOST_PREPARED = 20_000;

function preparedWords(record: SourceRecord, language: string): PreparedText {
  const words = `${language}\n${record.title}\n${record.description}`;
  let text = prepared.get(words);
  if (!text) {
    if (prepared.size >= MOST_PREPARED) prepared.clear();
    prepared.set(words, (text = prepareText(record.title, [record.description], language)));
  }
  return text;
}

function captureSide(size: number) {
  const medians = Object.fromEntries(MEDIAN_COLUMNS.map((name) => [name, new Float64Array(size)])) as Record<
    (typeof MEDIAN_COLUMNS)[number],
    Float64Array
  >;
  return {
    keyword: new Int32Array(size),
    depth: new Uint8Array(size),
    above: new Uint8Array(size),
    paidAbove: new Uint8Array(size),
    results: new Float64Array(size),
    words: new Uint8Array(size),
    slotStart: new Int32Array(size),
    slotCount: new Int32Array(size),
    ...medians,
  };
}

function slotSide(size: number) {
  return {
    place: new Int32Array(size),
    version: new Int32Array(size),
    slot: new Uint8Array(size),
    organic: new Uint8Array(size),
    paid: new Uint8Array(size),
    feature: new Uint8Array(size),
    authority: new Uint8Array(size).fill(NO_AUTHORITY),
    phrase: new Uint8Array(size),
    titleWords: new Uint8Array(size),
    fieldWords: new Uint8Array(size),
    engagement: new Float32Array(size).fill(NaN),
    age: new Int32Array(size).fill(NO_DAYS),
    updated: new Int32Array(size).fill(NO_DAYS),
  };
}

function noteAbove(capture: ReturnType<typeof captureSide>, at: number, kind: SlotKind): void {
  if (kind === 'paid') capture.paidAbove[at]!++;
  if (kind === 'answer box') capture.above[at]! |= ABOVE.answerBox;
  if (kind === 'image block') capture.above[at]! |= ABOVE.imageBlock;
  if (kind === 'video block') capture.above[at]! |= ABOVE.videoBlock;
}

function daysBefore(day: string | null, date: string): number | null {
  return day === null ? null : Math.max(0, Math.round((Date.parse(date) - Date.parse(day)) / DAY_MS));
}
