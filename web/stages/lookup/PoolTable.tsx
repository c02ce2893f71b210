import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { PoolPage, PoolRow } from '@opsimath/contract/api/pool';
import { useMemo } from 'react';
import '../../parts/lane/lane.css';
import { VirtualGrid } from '../../parts/table/VirtualGrid';
import { useOldAfter } from '../../state/useOldAfter';
import { poolOrder } from '../../state/poolOrder';
import { useScope } from '../../state/useScope';
import { useTraySelection } from '../../state/useTraySelection';
import { poolColumns } from './poolColumns';
import { shownColumns } from './poolColumnNames';
import { readOrders, writeOrders } from '../../parts/table/orders';
import { usePoolSides } from '../../parts/pool/usePoolSides';
import { t } from '../../words/t';

interface PoolTableProps {
  lookUp: LookUp;
  page: PoolPage;
  rowAt: (index: number) => PoolRow | undefined;
  listName: string;
  onVisible: (first: number, last: number) => void;
}

export function PoolTable({ lookUp, page, rowAt, listName, onVisible }: PoolTableProps) {
  const { project, scope, change } = useScope();
  const { selected, select } = useTraySelection();
  const sides = usePoolSides(page.targets, lookUp.surface);
  const orders = readOrders(poolOrder(lookUp, scope.poolSort));
  const shown = useMemo(
    () => shownColumns(project, scope.columns, lookUp, scope.poolWithout !== ''),
    [project, scope.columns, lookUp, scope.poolWithout],
  );
  // The month before the date is the last whole one.
  const oldAfter = useOldAfter(lookUp.surface);
  const lastMonth = (new Date(lookUp.date).getUTCMonth() + 11) % 12;
  const columns = useMemo(
    () =>
      poolColumns({
        page,
        sides,
        shown,
        selected,
        lastMonth,
        today: scope.date,
        oldAfter,
        onSelect: select,
      }),
    [page, sides, shown, selected, lastMonth, scope.date, oldAfter, select],
  );
  return (
    <VirtualGrid
      listName={listName}
      label={t('lookup:PoolTable.pool')}
      columns={columns}
      total={page.total}
      rowAt={rowAt}
      idOf={(row) => row.id}
      rowHeight={34}
      orders={orders}
      selected={selected}
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
