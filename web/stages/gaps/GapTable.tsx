import type { GapPage, GapQuery, GapRow, GapSort } from '@opsimath/contract/api/gaps';
import { useMemo } from 'react';
import { VirtualGrid } from '../../parts/table/VirtualGrid';
import { PAGE_ROWS, rowFinder, useVisiblePages } from '../../parts/table/usePages';
import { Empty } from '../../parts/words/Empty';
import { useGapPageQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { useTraySelection } from '../../state/useTraySelection';
import { gapTableColumns } from './gapTableColumns';

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
  const { change } = useScope();
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
  const columns = useMemo(
    () => gapTableColumns(first, narrow, selected, select),
    [first, narrow, selected, select],
  );
  if (first.total === 0) {
    return (
      <Empty title="Nothing passes this choice">Let go of a filter above, or find something else.</Empty>
    );
  }
  return (
    <VirtualGrid
      listName={JSON.stringify(query)}
      label="Gaps"
      columns={columns}
      total={first.total}
      rowAt={rowAt}
      idOf={(row) => row.id}
      rowHeight={ROW_HEIGHT}
      orders={[{ sort: query.sort ?? 'priority', descending: query.descending !== 'false' }]}
      selected={selected}
      openId={openId}
      onVisible={onVisible}
      onSort={(sort, descending) => change({ sort: sort as GapSort, descending })}
      onSelect={select}
      onOpen={(row) => onOpen(row.id)}
      onClose={() => onOpen(null)}
    />
  );
}
