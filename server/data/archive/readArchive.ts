import { keywordIdsOf } from '../keywords';
import {
  type ArchivedRow as Row,
  type Ids,
  renumberedKeywords,
  renumberedRecipe,
  renumberedRequest,
  renumberedSections,
  renumberedSource,
} from './archivedTexts';
import { ArchiveRows } from './archiveRows';
import { storeSegment } from './archivedSegments';
import { damaged, parse } from './archiveLine';
import type { SegmentLine } from './segmentChecks';

interface TableLine {
  table: string;
  rows: Row[];
}

/**
 * Brings a project archive that was looked through (checkArchive.ts) into a new project: everything gets ids of this
 * installation.
 */
export class ArchiveReader extends ArchiveRows {
  private readonly markets: Ids = new Map();
  private readonly keywords: Ids = new Map();
  private readonly places: Ids = new Map();
  private readonly versions: Ids = new Map();
  private readonly targets: Ids = new Map();
  private readonly lookUps: Ids = new Map();
  private readonly lists: Ids = new Map();
  private readonly markers: Ids = new Map();
  private readonly imports: Ids = new Map();
  private readonly rounds: Ids = new Map();
  private readonly tasks: Ids = new Map();
  private readonly drafts: Ids = new Map();
  private readonly reports: Ids = new Map();

  async take(text: string): Promise<void> {
    if (text.trim() === '') return;
    const entry = parse(text);
    if ('table' in entry) await this.takeRows(entry as unknown as TableLine);
    else if ('segment' in entry) {
      const { markets, keywords, places, versions, lookUps, imports } = this;
      const ids = { markets, keywords, places, versions, lookUps, imports };
      await storeSegment(this.database, this.projectId, entry as unknown as SegmentLine, ids);
    }
  }

  private async takeRows({ table, rows }: TableLine): Promise<void> {
    switch (table) {
      case 'project':
        return this.run('UPDATE project SET name = ?, settings = ? WHERE id = ?', [
          [rows[0]!.name!, rows[0]!.settings!, this.projectId],
        ]);
      case 'market':
        return this.takeMarkets(rows);
      case 'keyword':
        return this.takeKeywords(rows);
      case 'place':
        return this.takeMapped(rows, this.places, 'place', 'address', ['version_id']);
      case 'place_version': {
        const known = rows.map((row) => ({ ...row, place_id: this.places.get(Number(row.place_id))! }));
        return this.takeMapped(known, this.versions, 'place_version', 'place_id, hash', []);
      }
      case 'place_record':
        return this.insert('place_record', rows, { place_id: this.places }, ['id']);
      case 'target':
        return this.takeOwned(rows, 'target', this.targets);
      case 'target_version':
        return this.insert('target_version', rows, { target_id: this.targets }, ['id']);
      case 'look_up':
        return this.takeOwned(
          rows.map((row) => renumberedRequest(row, this.imports)),
          'look_up',
          this.lookUps,
          { market_id: this.markets },
          { job_id: null },
        );
      case 'file_import':
        // The file itself stays where it was; what it was and what came of it travels.
        return this.takeOwned(
          rows,
          'file_import',
          this.imports,
          { market_id: this.markets },
          { job_id: null, stored_as: '' },
        );
      case 'look_up_target':
        return this.insert('look_up_target', rows, { look_up_id: this.lookUps, held_by: this.lookUps });
      case 'look_up_find':
        return this.insert('look_up_find', rows, { look_up_id: this.lookUps });
      case 'file_export':
        return this.insert('file_export', rows, { look_up_id: this.lookUps }, ['id']);
      case 'tracked':
        return this.insert('tracked', rows, { keyword_id: this.keywords });
      case 'verdict':
        return this.insert('verdict', rows, { keyword_id: this.keywords });
      case 'keyword_list':
        return this.takeOwned(
          rows.map((row) => renumberedSource(row, this.keywords, this.lookUps)),
          'keyword_list',
          this.lists,
          { market_id: this.markets },
        );
      case 'list_member':
        return this.insert('list_member', rows, { list_id: this.lists, keyword_id: this.keywords });
      case 'list_change':
        return this.insert('list_change', rows, { list_id: this.lists }, ['id']);
      case 'recipe':
        return this.insert(
          'recipe',
          rows.map((row) => renumberedRecipe(row, this.keywords, this.lists, this.markers)),
          {},
          ['id'],
        );
      case 'variant_choice':
        return this.insert('variant_choice', rows, { keyword_id: this.keywords, under_id: this.keywords });
      case 'marker':
        return this.takeOwned(rows, 'marker', this.markers);
      case 'marked_keyword':
        return this.insert('marked_keyword', rows, { marker_id: this.markers, keyword_id: this.keywords });
      case 'word_leave':
        return this.insert('word_leave', rows, { keyword_id: this.keywords }, ['id']);
      case 'note':
        return this.insert('note', rows, { keyword_id: this.keywords, target_id: this.targets }, ['id']);
      case 'result_reading':
        return this.insert('result_reading', rows, { place_id: this.places });
      case 'hand_position':
        return this.insert('hand_position', rows, { keyword_id: this.keywords, target_id: this.targets }, [
          'id',
        ]);
      case 'chosen_action':
      case 'said_purpose':
        return this.insert(table, rows, { keyword_id: this.keywords });
      case 'own_bid':
      case 'auction_slot':
        return this.insert(table, rows, { keyword_id: this.keywords, market_id: this.markets });
      case 'index_check':
        return this.insert('index_check', rows, { market_id: this.markets });
      case 'banned_word':
      case 'sitemap_page':
      case 'column_match':
        return this.insert(table, rows, {}, ['id', 'import_id']);
      default:
        return this.takeWork(table, rows);
    }
  }

  /** Rounds, drafts and what was published. */
  private async takeWork(table: string, rows: readonly Row[]): Promise<void> {
    switch (table) {
      case 'round':
        return this.takeOwned(rows, 'round', this.rounds);
      case 'task':
        return this.takeOwned(this.withKeywords(rows, 'serves'), 'task', this.tasks, {
          market_id: this.markets,
          keyword_id: this.keywords,
          round_id: this.rounds,
        });
      case 'answering':
        return this.insert('answering', rows, { keyword_id: this.keywords });
      case 'draft':
        return this.takeOwned(this.withKeywords(rows, 'keywords'), 'draft', this.drafts, {
          market_id: this.markets,
          task_id: this.tasks,
        });
      case 'draft_version':
        return this.insert('draft_version', rows, { draft_id: this.drafts }, ['id']);
      case 'report':
        return this.takeOwned(this.withSections(rows), 'report', this.reports);
      case 'frozen_report':
        return this.insert('frozen_report', rows, { report_id: this.reports }, ['id']);
      case 'report_plan':
        return this.insert('report_plan', rows, { report_id: this.reports, market_id: this.markets });
      case 'visit_month':
        return this.insert('visit_month', rows, {});
      case 'watch_plan':
        return this.insert('watch_plan', rows, { market_id: this.markets });
      case 'published_change':
        return this.insert(
          'published_change',
          // A request is named once in an installation.
          this.withKeywords(rows, 'keywords').map((row) => ({
            ...row,
            request_id: `${this.projectId}:${String(row.request_id)}`,
          })),
          { market_id: this.markets, draft_id: this.drafts, task_id: this.tasks },
          ['id'],
        );
      default:
        throw damaged(`it holds a table “${table.slice(0, 40)}” that is not known here`);
    }
  }

  private withSections(rows: readonly Row[]): Row[] {
    return rows.map((row) => renumberedSections(row, this.keywords, this.lists, this.rounds));
  }

  private withKeywords(rows: readonly Row[], column: string): Row[] {
    return rows.map((row) => renumberedKeywords(row, column, this.keywords));
  }

  private async takeMarkets(rows: readonly Row[]): Promise<void> {
    await this.insertPlain('market', rows, ['id']);
    for (const row of rows) {
      const found = await this.database.client.execute({
        sql: 'SELECT id FROM market WHERE code = ?',
        args: [row.code!],
      });
      this.markets.set(Number(row.id), Number(found.rows[0]!.id));
    }
  }

  private async takeKeywords(rows: readonly Row[]): Promise<void> {
    const market = this.markets.get(Number(rows[0]!.market_id))!;
    const ids = await keywordIdsOf(
      this.database,
      market,
      rows.map((row) => String(row.text)),
    );
    rows.forEach((row, i) => this.keywords.set(Number(row.id), ids[i]!));
  }
}
