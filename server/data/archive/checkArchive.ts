import { z } from 'zod';
import { assertArchive, damaged, parse } from './archiveLine';
import { ARCHIVED, type ArchivedTable, rowSchema } from './rowSchemas';
import { checkedColumns, segmentLine } from './segmentChecks';

const tableLine = z.strictObject({ table: z.string(), rows: z.array(z.record(z.string(), z.unknown())) });
const endLine = z.strictObject({ end: z.int() });

/** Where a column speaks of a row of another table, which must have come before it. `0` and nothing speak of none. */
const REFERENCES: Partial<Record<ArchivedTable, Record<string, ArchivedTable>>> = {
  keyword: { market_id: 'market' },
  place_version: { place_id: 'place' },
  place_record: { place_id: 'place' },
  target_version: { target_id: 'target' },
  index_check: { market_id: 'market' },
  tracked: { keyword_id: 'keyword' },
  note: { keyword_id: 'keyword', target_id: 'target' },
  result_reading: { place_id: 'place' },
  hand_position: { keyword_id: 'keyword', target_id: 'target' },
  chosen_action: { keyword_id: 'keyword' },
  said_purpose: { keyword_id: 'keyword' },
  task: { market_id: 'market', keyword_id: 'keyword', round_id: 'round' },
  answering: { keyword_id: 'keyword' },
  draft: { market_id: 'market', task_id: 'task' },
  draft_version: { draft_id: 'draft' },
  published_change: { market_id: 'market', draft_id: 'draft', task_id: 'task' },
  watch_plan: { market_id: 'market' },
  frozen_report: { report_id: 'report' },
  report_plan: { report_id: 'report', market_id: 'market' },
  own_bid: { keyword_id: 'keyword', market_id: 'market' },
  auction_slot: { keyword_id: 'keyword', market_id: 'market' },
  verdict: { keyword_id: 'keyword' },
  file_import: { market_id: 'market' },
  look_up: { market_id: 'market' },
  keyword_list: { market_id: 'market' },
  list_member: { list_id: 'keyword_list', keyword_id: 'keyword' },
  list_change: { list_id: 'keyword_list' },
  variant_choice: { keyword_id: 'keyword', under_id: 'keyword' },
  marked_keyword: { marker_id: 'marker', keyword_id: 'keyword' },
  word_leave: { keyword_id: 'keyword' },
  look_up_target: { look_up_id: 'look_up' },
  look_up_find: { look_up_id: 'look_up' },
  file_export: { look_up_id: 'look_up' },
};
/** Tables whose rows others speak of. */
const SPOKEN_OF = [
  'market',
  'keyword',
  'place',
  'place_version',
  'target',
  'look_up',
  'keyword_list',
  'marker',
  'round',
  'task',
  'draft',
  'report',
];
const MOST_LINES = 5_000_000;

/**
 * Looks an archive through before anything of it is written: every line, every row against its table, every column
 * against what such columns hold, and everything that is spoken of must be there. Throws what is wrong with it.
 */
export class ArchiveCheck {
  private lines = 0;
  private ended = false;
  private readonly known = new Map<string, Set<number>>(SPOKEN_OF.map((table) => [table, new Set()]));
  private readonly marketOfKeyword = new Map<number, number>();

  take(text: string): void {
    if (text.trim() === '') return;
    if (this.ended) throw damaged('it goes on after its end');
    const entry = parse(text);
    if (this.lines === 0) assertArchive(entry);
    else if ('table' in entry) this.takeRows(shaped(tableLine, entry));
    else if ('segment' in entry) this.takeSegment(entry);
    else if ('end' in entry) {
      const { end } = shaped(endLine, entry);
      if (end !== this.lines) throw damaged(`it ends after ${this.lines} of ${end} lines`);
      this.ended = true;
      return;
    } else throw damaged('it holds a line that is neither rows nor facts');
    if (++this.lines > MOST_LINES) throw damaged(`it has more than ${MOST_LINES} lines`);
  }

  /** Throws when the file broke off. */
  finish(): void {
    if (!this.ended) throw damaged('it breaks off');
    if (!this.seenProject) throw damaged('no project is in it');
  }
  private seenProject = false;

  private takeRows({ table, rows }: z.infer<typeof tableLine>): void {
    if (!(table in ARCHIVED))
      throw damaged(`it holds a table “${table.slice(0, 40)}” that is not known here`);
    const name = table as ArchivedTable;
    const schema = rowSchema(name);
    const references = Object.entries(REFERENCES[name] ?? {});
    const ids = this.known.get(table);
    if (name === 'project') {
      if (rows.length !== 1 || this.seenProject) throw damaged('it holds more than one project');
      this.seenProject = true;
    }
    for (const row of rows) {
      const read = schema.safeParse(row);
      if (!read.success) {
        const [issue] = read.error.issues;
        throw damaged(`a row of ${table} is not as expected: ${issue!.path.join('.')} ${issue!.message}`);
      }
      for (const [column, other] of references) this.assertKnown(other, row[column], table);
      ids?.add(Number(row.id));
      if (name === 'keyword') this.marketOfKeyword.set(Number(row.id), Number(row.market_id));
    }
  }

  private assertKnown(table: string, id: unknown, from: string): void {
    if (id === null || id === undefined) return;
    if (!this.known.get(table)!.has(Number(id)))
      throw damaged(
        `a row of ${from} speaks of a ${table.replace('_', ' ')} ${Number(id)} that is not there`,
      );
  }

  private takeSegment(entry: Record<string, unknown>): void {
    const line = shaped(segmentLine, entry);
    const { marketId } = line.segment;
    this.assertKnown('market', marketId, 'facts');
    const columns = checkedColumns(line);
    for (const name of ['keyword', 'bidOn'])
      for (const id of new Set(columns[name] ?? []))
        if (this.marketOfKeyword.get(id) !== marketId && !(name === 'bidOn' && id === 0))
          throw damaged(`facts of ${line.segment.date} speak of a keyword ${id} that is not of their market`);
    for (const [name, table] of [
      ['place', 'place'],
      ['version', 'place_version'],
    ] as const)
      for (const id of new Set(columns[name] ?? []))
        if (id !== 0) this.assertKnown(table, id, `facts of ${line.segment.date}`);
  }
}

function shaped<T extends z.ZodType>(schema: T, entry: unknown): z.output<T> {
  const read = schema.safeParse(entry);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw damaged(`a line of it is not as expected: ${issue!.path.slice(0, 4).join('.')} ${issue!.message}`);
}
