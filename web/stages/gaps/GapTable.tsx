import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { useCallback, useMemo } from 'react';
import { VirtualGrid } from '../../parts/table/VirtualGrid';
import { PAGE_ROWS, rowFinder, useVisiblePages } from '../../parts/table/usePages';
import { Empty } from '../../parts/words/Empty';
import { useGapPageQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { useTraySelection } from '../../state/useTraySelection';
import { readOrders, writeOrders } from '../../parts/table/orders';
import { gapExtra } from './gapExtraColumns';
import { gapTableColumns } from './gapTableColumns';
import { useWorthSpread } from './useWorthSpread';
import { t } from '../../words/t';

const ROW_HEIGHT = 34;

interface GapTableProps {
  project: number;
  query: GapQuery;
  first: GapPage;
  openId: number | null;
  /** Beside an open dossier: fewer columns. */
  narrow: boolean;
  onOpen: (keyword: number | null) => void;
}

export function GapTable({ project, query, first, openId, narrow, onOpen }: GapTableProps) {
  const { scope, change } = useScope();
  const { selected, select } = useTraySelection();
  const { pages, onVisible } = useVisiblePages();
  const upper = useGapPageQuery({ project, query: { ...query, offset: pages[0] * PAGE_ROWS } });
  const lower = useGapPageQuery({ project, query: { ...query, offset: pages[1] * PAGE_ROWS } });
  const rowAt = useMemo(
    () =>
      rowFinder<GapRow>([
        { page: 0, rows: first.rows },
        { page: pages[0], rows: upper.currentData?.rows },
        { page: pages[1], rows: lower.currentData?.rows },
      ]),
    [first, pages, upper.currentData, lower.currentData],
  );
  const open = useCallback(
    (row: GapRow) => {
      const of = row.under ?? (row.variants === null ? null : row.id);
      if (of !== null) change({ opened: toggled(scope.opened, of) }, { replace: true });
    },
    [scope.opened, change],
  );
  const orders = readOrders(query.sort ?? '-priority');
  const extra = useMemo(() => gapExtra.shown(project, scope.gapColumns), [project, scope.gapColumns]);
  const spreadOf = useWorthSpread(
    first.rows,
    !narrow && (extra.includes('range') || extra.includes('first')),
  );
  const columns = useMemo(
    () => gapTableColumns(first, narrow, { selected, onSelect: select, onVariants: open }, extra, spreadOf),
    [first, narrow, selected, select, open, extra, spreadOf],
  );
  if (first.total === 0) {
    return (
      <Empty title={t('gaps:GapTable.nothingMatchesTheseFilters')}>
        {t('gaps:GapTable.clearOneAboveOrFindSomething')}
      </Empty>
    );
  }
  return (
    <VirtualGrid
      listName={JSON.stringify({ ...query, opened: [] })}
      label={t('gaps:GapTable.gaps')}
      columns={columns}
      total={first.lines}
      rowAt={rowAt}
      idOf={(row) => row.id}
      rowHeight={ROW_HEIGHT}
      orders={orders}
      selected={selected}
      openId={openId}
      onVisible={onVisible}
      onSort={(sort, descending, add) => change({ sort: writeOrders(orders, { sort, descending }, add) })}
      onSelect={select}
      rowKeys={{ v: open }}
      onOpen={(row) => onOpen(row.id)}
      onClose={() => onOpen(null)}
    />
  );
}

const toggled = (ids: readonly number[], id: number): number[] =>
  ids.includes(id) ? ids.filter((other) => other !== id) : [...ids, id];
