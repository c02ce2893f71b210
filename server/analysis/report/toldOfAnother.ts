import type { ContentSection, ReportBlock, ReportRow } from '@opsimath/contract/api/reportContent';
import { ofAnother } from '@opsimath/core/report/ofAnother';

/** Sections whose cells are sentences of our own; in the others cells are keywords and titles, which stay as they are. */
const OWN_WORDS = new Set(['kinds', 'glossary', 'quality']);

/** Sections of a report on somebody else’s target: what was written of us is said of it. What a person worded stays. */
export function toldOfAnother(section: ContentSection): ContentSection {
  return { ...section, blocks: section.blocks.map((block) => toldBlock(block, OWN_WORDS.has(section.kind))) };
}

function toldBlock(block: ReportBlock, cells: boolean): ReportBlock {
  switch (block.kind) {
    case 'text':
      return block.written
        ? {
            ...block,
            passages: block.passages.map((passage) => ({
              ...passage,
              runs: passage.runs.map((run) => ({ ...run, text: ofAnother(run.text) })),
            })),
          }
        : block;
    case 'table':
      return {
        ...block,
        title: ofAnother(block.title),
        columns: block.columns.map((column) => ({ ...column, name: ofAnother(column.name) })),
        rows: block.rows.map((row) => toldRow(row, cells)),
        ...(block.caption === undefined ? {} : { caption: ofAnother(block.caption) }),
      };
    case 'chart':
      return block;
    case 'example':
      return {
        ...block,
        facts: block.facts.map((fact) => ({ ...fact, name: ofAnother(fact.name) })),
        reason: ofAnother(block.reason),
      };
  }
}

function toldRow(row: ReportRow, cells: boolean): ReportRow {
  return {
    ...row,
    ...(row.below === undefined ? {} : { below: row.below.map(ofAnother) }),
    ...(cells && {
      cells: row.cells.map((cell) => (typeof cell === 'string' ? ofAnother(cell) : cell)),
    }),
  };
}
