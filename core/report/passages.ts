/** A piece of text; `figure` names the figure whose value it shows. */
export interface TextRun {
  text: string;
  bold?: boolean | undefined;
  italic?: boolean | undefined;
  figure?: string | undefined;
}
export interface TextPassage {
  kind: 'paragraph' | 'item';
  runs: TextRun[];
}

/** A paragraph of words and figures: say`Of ${all} keywords …`. */
export function say(words: TemplateStringsArray, ...parts: readonly (TextRun | string)[]): TextPassage {
  const runs: TextRun[] = [];
  const add = (run: TextRun): void => {
    const last = runs.at(-1);
    if (run.text === '') return;
    if (last && isPlain(last) && isPlain(run)) last.text += run.text;
    else runs.push({ ...run });
  };
  words.forEach((text, n) => {
    add({ text });
    const part = parts[n];
    if (part !== undefined) add(typeof part === 'string' ? { text: part } : part);
  });
  return { kind: 'paragraph', runs };
}

const isPlain = ({ bold, italic, figure }: TextRun): boolean => !bold && !italic && figure === undefined;

/** Runs of several passages one after another, as one paragraph. */
export function oneParagraph(passages: readonly TextPassage[]): TextPassage {
  const runs = passages.flatMap((passage, n) => (n === 0 ? passage.runs : [{ text: ' ' }, ...passage.runs]));
  return { kind: 'paragraph', runs };
}

/**
 * Text that somebody worded, with its figures as they are now. A figure that is there no longer keeps the value that it
 * had, and is no figure any more.
 */
export function withPresentFigures(
  passages: readonly TextPassage[],
  figures: Readonly<Record<string, { shown: string }>>,
): TextPassage[] {
  return passages.map(({ kind, runs }) => ({
    kind,
    runs: runs.map(({ figure, ...run }) => {
      if (figure === undefined) return run;
      const present = Object.hasOwn(figures, figure) ? figures[figure] : undefined;
      return present ? { ...run, text: present.shown, figure } : run;
    }),
  }));
}

/** Words of a passage without what they look like. */
export const plainText = ({ runs }: TextPassage): string => runs.map(({ text }) => text).join('');
