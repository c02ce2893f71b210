import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftPage, SiftRow } from '@opsimath/contract/api/sift';
import { useMemo } from 'react';
import '../../parts/lane/lane.css';
import { usePoolSides } from '../../parts/pool/usePoolSides';
import { readOrders, writeOrders } from '../../parts/table/orders';
import { VirtualGrid } from '../../parts/table/VirtualGrid';
import { poolOrder } from '../../state/poolOrder';
import { useScope } from '../../state/useScope';
import { useTraySelection } from '../../state/useTraySelection';
import { useMarkersQuery } from '../../state/variantsApi';
import { siftExtra } from './extraColumns';
import { siftColumns } from './siftColumns';
import { useJudge } from '../../state/useJudge';
import { VERDICT_KEYS } from '../../parts/act/verdictKeys';
import { t } from '../../words/t';

const NOTHING: never[] = [];

interface SiftTableProps {
  lookUp: LookUp;
  page: SiftPage;
  rowAt: (index: number) => SiftRow | undefined;
  listName: string;
  onVisible: (first: number, last: number) => void;
  onRelease: (keyword: number) => void;
}

/** What came through, row by row; one key for each verdict. */
export function SiftTable({ lookUp, page, rowAt, listName, onVisible, onRelease }: SiftTableProps) {
  const { project, scope, change } = useScope();
  const { selected, select } = useTraySelection();
  const sides = usePoolSides(page.targets, lookUp.surface);
  const { data: markers } = useMarkersQuery(project);
  const judge = useJudge();
  const orders = readOrders(poolOrder(lookUp, scope.poolSort));
  const columns = useMemo(
    () =>
      siftColumns({
        sides,
        targets: page.targets.length,
        selected,
        markers: markers ?? NOTHING,
        extra: siftExtra.shown(project, scope.siftColumns),
        onSelect: select,
        onRelease: (row) => onRelease(row.id),
      }),
    [page.targets.length, sides, selected, markers, project, scope.siftColumns, select, onRelease],
  );
  const rowKeys = Object.fromEntries(
    Object.entries(VERDICT_KEYS).map(([pressed, { verdict, parked, word }]) => [
      pressed,
      (row: SiftRow) =>
        judge([{ keyword: row.id, verdict, parked, reason: row.reason }], `${row.text}: ${word}`),
    ]),
  );
  return (
    <VirtualGrid
      listName={listName}
      label={t('sift:SiftTable.sifted')}
      columns={columns}
      total={page.total}
      rowAt={rowAt}
      idOf={(row) => row.id}
      rowHeight={34}
      orders={orders}
      selected={selected}
      rowKeys={rowKeys}
      onVisible={onVisible}
      onSort={(sort, descending, add) =>
        change({ poolSort: writeOrders(orders, { sort, descending }, add) }, { replace: true })
      }
      openId={scope.open}
      onSelect={select}
      onOpen={(row) => change({ open: row.id }, { replace: scope.open !== null })}
      onClose={() => change({ open: null })}
    />
  );
}
