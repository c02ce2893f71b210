import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';

const modules = createRequire(import.meta.url);
const filesOf = (name: string): string => path.dirname(modules.resolve(`@fontsource/${name}/package.json`));

/** One file of letters: the family it goes by here, its files, and which signs it has. */
interface Face {
  family: string;
  normal: string;
  bold: string;
  italics: string;
  has: (sign: number) => boolean;
}

/** Families in the order in which a sign is looked for. What none has is shown as a question mark. */
const SANS: readonly Face[] = [
  ...subsets('Sans', 'source-sans-3', ['latin', 'latin-ext', 'cyrillic', 'greek', 'vietnamese'], 600, true),
  ...subsets('Hebrew', 'noto-sans-hebrew', ['hebrew'], 600, false),
  ...subsets('Arabic', 'noto-sans-arabic', ['arabic'], 600, false),
  emoji(),
];
const SERIF: readonly Face[] = [
  ...subsets('Serif', 'newsreader', ['latin', 'latin-ext', 'vietnamese'], 600, false, 600),
  ...SANS,
];

export const FONTS = Object.fromEntries(
  SERIF.map(({ family, normal, bold, italics }) => [family, { normal, bold, italics, bolditalics: bold }]),
);

function subsets(
  family: string,
  name: string,
  parts: readonly string[],
  bold: number,
  slanted: boolean,
  normal = 400,
): Face[] {
  const folder = filesOf(name);
  const ranges = JSON.parse(readFileSync(path.join(folder, 'unicode.json'), 'utf8')) as Record<
    string,
    string
  >;
  const file = (part: string, weight: number, style: string): string =>
    path.join(folder, 'files', `${name}-${part}-${weight}-${style}.woff`);
  return parts.map((part, n) => ({
    family: n === 0 ? family : `${family} ${part}`,
    normal: file(part, normal, 'normal'),
    bold: file(part, bold, 'normal'),
    italics: slanted ? file(part, normal, 'italic') : file(part, normal, 'normal'),
    has: within(ranges[part] ?? ''),
  }));
}

function emoji(): Face {
  const file = path.join(filesOf('noto-emoji'), 'files', 'noto-emoji-emoji-400-normal.woff');
  return {
    family: 'Emoji',
    ...{ normal: file, bold: file, italics: file },
    has: (sign) => /\p{Extended_Pictographic}/u.test(String.fromCodePoint(sign)),
  };
}

/** Reads ranges as style sheets write them: `U+0000-00FF, U+2013`. */
function within(text: string): (sign: number) => boolean {
  const ranges = text.split(',').map((part) => {
    const [from, to] = part.trim().replace('U+', '').split('-');
    return [parseInt(from!, 16), parseInt(to ?? from!, 16)] as const;
  });
  return (sign) => ranges.some(([from, to]) => sign >= from && sign <= to);
}

export interface Run {
  text: string;
  font: string;
}

const RIGHT_TO_LEFT =
  /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]+(?:\s+[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]+)*/g;
const JOINERS = /[\u200d\ufe0e\ufe0f\u{1f3fb}-\u{1f3ff}\u{e0020}-\u{e007f}]/u;

const UNSEEN =
  /[\u0000-\u0008\u000b-\u001f\u007f\u200b\u200e\u200f\u202a-\u202e\u2060-\u2069\ufeff\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;
/** Signs that letters lack and others stand for. */
const STAND_INS: Record<string, string> = {
  '\t': ' ',
  '\u00ad': '',
  '\u2011': '-',
  '\u2212': '–',
  '\u202f': ' ',
};

/**
 * A text in runs of one family each, ready to be set from left to right: words of a script that runs the other way
 * come in the order in which they are seen.
 */
export function inRuns(text: string, serif = false): Run[] {
  const faces = serif ? SERIF : SANS;
  const seen = text
    .replace(UNSEEN, '')
    .replace(RIGHT_TO_LEFT, (words) => words.split(/\s+/).reverse().join(' '));
  const runs: Run[] = [];
  for (const sign of seen) {
    const drawn = STAND_INS[sign] ?? sign;
    if (drawn === '' || (JOINERS.test(drawn) && runs.length > 0)) continue;
    const face = faces.find(({ has }) => has(drawn.codePointAt(0)!));
    const font = face?.family ?? faces[0]!.family;
    const last = runs.at(-1);
    const shown = face ? drawn : '?';
    if (last && (last.font === font || shown === ' ')) last.text += shown;
    else runs.push({ text: shown, font });
  }
  return runs.length > 0 ? runs : [{ text: '', font: faces[0]!.family }];
}
