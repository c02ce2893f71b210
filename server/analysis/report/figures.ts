import type { ReportContent, ReportTable } from '@opsimath/contract/api/reportContent';
import type { TextRun } from '@opsimath/core/report/passages';
import { type ShownKind, shown } from '@opsimath/core/shown';

interface Told {
  shown: string;
  /** Row that it was read from, where a table of the report has it. */
  row: string;
  /** What it is, for the table of those that no other table has. */
  from: string;
}

/** Figures that stand in the text of a report, each with the row that it was read from. */
export class Figures {
  private readonly all = new Map<string, Told>();

  /** A figure as it stands in a sentence. @param row `table:row` of where it was read */
  of(key: string, kind: ShownKind, value: string | number | null, row: string, from: string): TextRun {
    const text = shown(kind, value);
    this.all.set(key, { shown: text, row, from });
    return { text, figure: key };
  }

  /** All of them; those whose row is in no table of the report get a table of their own, which is given back too. */
  settle(tables: readonly ReportTable[]): { figures: ReportContent['figures']; rest: ReportTable | null } {
    const rows = new Set(tables.flatMap(({ id, rows: held }) => held.map((row) => `${id}:${row.key}`)));
    const figures: ReportContent['figures'] = {};
    const rest: ReportTable = {
      kind: 'table',
      id: 'figures',
      title: 'Other figures of the text',
      columns: [
        { key: 'from', name: 'What it is', kind: 'text' },
        { key: 'value', name: 'Figure', kind: 'text' },
      ],
      rows: [],
      empty: 'None.',
    };
    for (const [key, { shown: text, row, from }] of this.all) {
      if (rows.has(row)) figures[key] = { shown: text, row };
      else {
        rest.rows.push({ key, cells: [from, text] });
        figures[key] = { shown: text, row: `figures:${key}` };
      }
    }
    return { figures, rest: rest.rows.length > 0 ? rest : null };
  }
}
