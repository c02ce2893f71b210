import type { ReportContent } from '@opsimath/contract/api/reportContent';
import type { TextPassage, TextRun } from '@opsimath/core/report/passages';
import { FigureLink } from './FigureLink';

/** Paragraphs and lists as they are read; every figure leads to the row that it was read from. */
export function WrittenText({
  passages,
  content,
}: {
  passages: readonly TextPassage[];
  content: ReportContent;
}) {
  return (
    <div className="written-text">
      {groupsOf(passages).map((group, n) =>
        group[0]!.kind === 'item' ? (
          <ul key={n}>
            {group.map((passage, k) => (
              <li key={k}>
                <Runs runs={passage.runs} content={content} />
              </li>
            ))}
          </ul>
        ) : (
          <p key={n}>
            <Runs runs={group[0]!.runs} content={content} />
          </p>
        ),
      )}
    </div>
  );
}

/** Items that follow each other are one list. */
function groupsOf(passages: readonly TextPassage[]): TextPassage[][] {
  const groups: TextPassage[][] = [];
  for (const passage of passages) {
    const last = groups.at(-1);
    if (passage.kind === 'item' && last?.[0]?.kind === 'item') last.push(passage);
    else groups.push([passage]);
  }
  return groups;
}

function Runs({ runs, content }: { runs: readonly TextRun[]; content: ReportContent }) {
  return runs.map(({ text, bold, italic, figure }, n) => {
    const row = figure === undefined ? null : (content.figures[figure]?.row ?? null);
    const words = row === null ? text : <FigureLink row={row}>{text}</FigureLink>;
    return bold ? <b key={n}>{words}</b> : italic ? <i key={n}>{words}</i> : <span key={n}>{words}</span>;
  });
}
