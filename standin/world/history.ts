import { Draws, mix } from '../random';
import type { WorldDocument } from './document';
import { fill, type Filling } from './forms';

/** Fields as somebody has reworded them, from a day on. */
export interface Rewording {
  from: number;
  /** Only those that differ from before. */
  fields: Record<string, string>;
}

/** A document's words over a span of days: from the first, before the last. */
export interface Version {
  /** Index into the documents. */
  document: number;
  from: number;
  until: number;
  content: WorldDocument;
}

/** What rewording draws from: forms of titles and keywords, and of the lines of each other field. */
export interface WordForms {
  titles: readonly string[];
  keywords: readonly (readonly [string, number])[];
  description: readonly string[];
  /** The field that has one entry a line. */
  lines: string;
}

/** Share of documents reworded, and given up, in a month. */
const REWORDED = 0.03;
const GIVEN_UP = 0.006;
/** Published in the coming months, as a share of those that stand. */
export const STILL_TO_COME = 0.1;
/** Days around today in which others are at work. */
export const HISTORY = { before: 420, after: 400 };
/** Keywords that somebody thinks of before rewording a page. */
const PHRASES_WEIGHED = 8;
const DAYS_A_MONTH = 30.4;
const FOREVER = 1e9;

/**
 * What becomes of a document of somebody else's: rewordings, half of them for the better, and perhaps its end. Each
 * falls on a day of its own, which counts as a revision.
 */
export function liveThrough(
  document: WorldDocument,
  forms: WordForms,
  filling: Filling,
  refill: (draws: Draws) => Filling,
  today: number,
): WorldDocument {
  const draws = new Draws(mix(document.seed, 0x51f7));
  const born = document.revisions[0]!;
  const last = today + HISTORY.after;
  const wait = (aMonth: number): number =>
    1 + Math.round((-Math.log(1 - draws.next()) * DAYS_A_MONTH) / aMonth);
  const end = Math.max(born, today - HISTORY.before) + wait(GIVEN_UP);
  const ends = end <= last ? end : null;
  const rewordings: Rewording[] = [];
  let now = document.fields;
  for (
    let day = Math.max(born, today - HISTORY.before) + wait(REWORDED);
    day < (ends ?? last);
    day += wait(REWORDED)
  ) {
    const fields =
      draws.next() < 0.5
        ? better(now, forms, filling, draws)
        : worse(now, forms, { ...refill(draws), owner: filling.owner! }, draws);
    rewordings.push({ from: day, fields });
    now = { ...now, ...fields };
  }
  const touched = [
    ...document.revisions.filter((day) => day < (ends ?? FOREVER)),
    ...rewordings.map(({ from }) => from),
  ];
  return { ...document, ends, rewordings, revisions: [...new Set(touched)].sort((a, b) => a - b) };
}

/** Takes up what people type: into the title, into the text below it, into tags or bullets. */
function better(
  now: Record<string, string>,
  forms: WordForms,
  filling: Filling,
  draws: Draws,
): Record<string, string> {
  const typed = nearest(now, () => fill(draws.weighted(forms.keywords), filling));
  const said = typed[0]!.toUpperCase() + typed.slice(1);
  const fields: Record<string, string> = {};
  const choice = draws.next();
  if (choice < 0.65) fields.title = titleWith(said, now.title!, draws);
  if (choice > 0.35) fields.description = `${said}: ${firstSentences(now.description ?? '', 2)}`;
  if (draws.next() < 0.4) {
    const field = forms.lines;
    fields[field] = [typed, ...(now[field] ?? '').split('\n').filter(Boolean)].slice(0, 14).join('\n');
  }
  return fields;
}

/** Of some keywords the one that a page says most of already, though not in its title: that is what people reword for. */
function nearest(now: Record<string, string>, draw: () => string): string {
  const all = ` ${Object.values(now).join(' ').toLowerCase()} `;
  const title = now.title!.toLowerCase();
  let [best, most] = [draw(), -1];
  for (let n = 1; n < PHRASES_WEIGHED; n++) {
    const typed = draw();
    if (title.includes(typed)) continue;
    const words = typed.split(' ');
    const share = words.filter((word) => all.includes(word)).length / words.length;
    // Of those it says as much of, the one that says more.
    const is = share + words.length / 100;
    if (is > most) [best, most] = [typed, is];
  }
  return best;
}

/** Says something else instead, or less. */
function worse(
  now: Record<string, string>,
  forms: WordForms,
  filling: Filling,
  draws: Draws,
): Record<string, string> {
  const fields: Record<string, string> = {};
  const choice = draws.next();
  if (choice < 0.3) fields.title = fill(draws.one(forms.titles), filling);
  else if (choice < 0.6) fields.title = shortened(now.title!);
  if (choice > 0.45) fields.description = fill(draws.one(forms.description), filling);
  if (draws.next() < 0.3) {
    const field = forms.lines;
    const lines = (now[field] ?? '').split('\n').filter(Boolean);
    fields[field] = lines.slice(0, Math.ceil(lines.length / 2)).join('\n');
  }
  return fields;
}

function titleWith(said: string, title: string, draws: Draws): string {
  if (title.toLowerCase().includes(said.toLowerCase()))
    return `${said}, ${title.split(/[|:,]/).at(-1)!.trim()}`;
  return draws.next() < 0.5 ? `${said} | ${title}` : `${said}: ${shortened(title)}`;
}

/** The first part of a title, or all but its last word. */
function shortened(title: string): string {
  const part = title.split(/\s[|:–-]\s|: |, /)[0]!;
  if (part !== title) return part;
  const words = title.split(' ');
  return words.length > 3 ? words.slice(0, -1).join(' ') : title;
}

function firstSentences(text: string, count: number): string {
  return text
    .split(/(?<=[.!?])\s+/)
    .slice(0, count)
    .join(' ');
}

/** Every form that each document has over time. */
export function versionsOf(documents: readonly WorldDocument[]): Version[] {
  return documents.flatMap((content, document) => {
    const starts = [-FOREVER, ...content.rewordings.map(({ from }) => from)];
    return starts.map((from, i) => ({
      document,
      from,
      until: starts[i + 1] ?? content.ends ?? FOREVER,
      content: wordedOn(content, from),
    }));
  });
}

/** A document with its words of a day. */
export function wordedOn(document: WorldDocument, day: number): WorldDocument {
  let fields: Record<string, string> | null = null;
  for (const rewording of document.rewordings) {
    if (rewording.from > day) break;
    fields = { ...(fields ?? document.fields), ...rewording.fields };
  }
  return fields === null ? document : { ...document, fields };
}

/** Whether it is there on a day: published, not given up. */
export function standsOn({ revisions, ends }: WorldDocument, day: number): boolean {
  return revisions[0]! <= day && (ends === null || day < ends);
}
