import { Fragment, type ReactElement, cloneElement } from 'react';
import { type Values, bare, filled } from './t';
import type { WordKey } from './catalog';

interface ToldProps {
  id: WordKey;
  values?: Values;
  /** What the text names in tags, `<link>…</link>` or `<link/>`: each takes the words between its tags as its content. */
  parts: Readonly<Record<string, ReactElement>>;
}

const TAG = /<(\w+)(?:\/>|>(.*?)<\/\1>)/gs;

/** A text of the interface that has parts of the page in it. */
export function Told({ id, values, parts }: ToldProps) {
  return <>{pieces(bare(id), values, parts)}</>;
}

function pieces(text: string, values: ToldProps['values'], parts: ToldProps['parts']): React.ReactNode[] {
  const found: React.ReactNode[] = [];
  let from = 0;
  for (const match of text.matchAll(TAG)) {
    const part = parts[match[1]!];
    if (!part) continue;
    found.push(filled(text.slice(from, match.index), values));
    found.push(
      <Fragment key={match.index}>
        {match[2] === undefined ? part : cloneElement(part, undefined, ...pieces(match[2], values, parts))}
      </Fragment>,
    );
    from = match.index + match[0].length;
  }
  found.push(filled(text.slice(from), values));
  return found;
}
