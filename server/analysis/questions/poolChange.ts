import type { PoolChange } from '@opsimath/contract/api/pool';
import { keywordsById } from '../../data/keywords';
import { KnownProblem } from '../../problems/problem';
import { openPool } from '../pool/pool';
import type { Workspace } from '../kept/workspace';

/** What came, went and moved between two look-ups of one market, most searched first. */
export async function poolChange(
  workspace: Workspace,
  lookUpId: number,
  otherId: number,
  most: number,
): Promise<PoolChange> {
  const { pool: later } = await openPool(workspace, lookUpId);
  const { pool: earlier } = await openPool(workspace, otherId);
  if (later.market.id !== earlier.market.id) {
    throw new KnownProblem(
      'another-market',
      'These look-ups are of two markets.',
      'Choose one of the same market.',
    );
  }
  const best = (columns: readonly Uint8Array[], i: number): number | null => {
    let least = 0;
    for (const column of columns)
      if (column[i]! > 0 && (least === 0 || column[i]! < least)) least = column[i]!;
    return least || null;
  };
  const before = new Map(Array.from(earlier.ids, (id, i) => [id, i] as const));
  const rows: PoolChange['rows'] = [];
  const counts = { came: 0, went: 0, stayed: 0 };
  const volume = (id: number): number | null => {
    const value = later.metrics.volume[id - later.base];
    return value === undefined || Number.isNaN(value) ? null : value;
  };
  const note = (id: number, change: 'came' | 'went' | 'moved', was: number | null, is: number | null): void =>
    void rows.push({ id, text: '', volume: volume(id), change, before: was, after: is });
  later.ids.forEach((id, i) => {
    const was = before.get(id);
    if (was === undefined) {
      counts.came++;
      note(id, 'came', null, best(later.organic, i));
      return;
    }
    counts.stayed++;
    before.delete(id);
    const [old, now] = [best(earlier.organic, was), best(later.organic, i)];
    if (old !== now) note(id, 'moved', old, now);
  });
  for (const [id, i] of before) {
    counts.went++;
    note(id, 'went', best(earlier.organic, i), null);
  }
  const order = { came: 0, went: 1, moved: 2 };
  rows.sort(
    (a, b) => order[a.change] - order[b.change] || (b.volume ?? -1) - (a.volume ?? -1) || a.id - b.id,
  );
  const shown = (['came', 'went', 'moved'] as const).flatMap((change) =>
    rows.filter((row) => row.change === change).slice(0, most),
  );
  const texts = await keywordsById(
    workspace.database,
    shown.map(({ id }) => id),
  );
  return {
    from: earlier.date,
    to: later.date,
    ...counts,
    rows: shown.map((row) => ({ ...row, text: texts.get(row.id)!.text })),
  };
}
