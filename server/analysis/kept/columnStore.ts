import type { Database } from '../../data/storage/connection';
import type { Column } from '../../data/segments/columns';
import { givingWay } from './giveWay';
import { readColumn, readColumnIfAny } from '../../data/segments/segments';

/** Segment columns in memory, the least lately used dropped beyond the budget. Segments never change, so neither do these. */
export class ColumnStore {
  private readonly kept = new Map<string, Column>();
  private readonly missing = new Set<string>();
  private bytes = 0;
  /** Between two columns somebody else's turn may be. */
  private readonly giveWay = givingWay();

  constructor(
    readonly database: Database,
    private readonly budgetBytes: number,
  ) {}

  async column<T extends Column>(segmentId: number, name: string): Promise<T> {
    await this.giveWay();
    const id = `${segmentId}:${name}`;
    let column = this.kept.get(id);
    if (column) {
      this.kept.delete(id);
    } else {
      column = await readColumn(this.database, segmentId, name);
      this.bytes += column.byteLength;
    }
    this.kept.set(id, column);
    this.shrink();
    return column as T;
  }

  /** {@link column}, or `null` where the segment has none of that name. */
  async columnIfAny<T extends Column>(segmentId: number, name: string): Promise<T | null> {
    const id = `${segmentId}:${name}`;
    if (this.missing.has(id)) return null;
    if (this.kept.has(id)) return this.column<T>(segmentId, name);
    if ((await readColumnIfAny(this.database, segmentId, name)) !== null)
      return this.column<T>(segmentId, name);
    this.missing.add(id);
    return null;
  }

  private shrink(): void {
    for (const [id, column] of this.kept) {
      if (this.bytes <= this.budgetBytes || this.kept.size <= 1) return;
      this.kept.delete(id);
      this.bytes -= column.byteLength;
    }
  }
}
