import type { PoolRow } from '@opsimath/contract/api/pool';
import { type PoolFigure, POOL_READERS, poolFigureOf, poolTip } from '@opsimath/contract/figures/poolFigures';
import type { GridColumn } from '../table/gridColumn';
import { count, decimal } from '../words/figures';
import { figureWords, t } from '../../words/t';

/** The range of a CPC as its source gives it. */
const cpcRange = ({ cpcLow, cpcHigh }: PoolRow): string | null =>
  cpcLow === null ? null : `${decimal(cpcLow, 2)}–${decimal(cpcHigh, 2)}`;

/**
 * A figure of the register as a column of a pool: head, tip, width, digits and sorting are the register's; `changes` says what
 * is shown otherwise here.
 */
export function poolFigureColumn<R extends PoolRow>(
  name: PoolFigure,
  changes: Partial<GridColumn<R>> = {},
): GridColumn<R> {
  const { head, section, width, digits } = poolFigureOf(name);
  return {
    id: name,
    ...figureWords('pool', name, { head, tip: poolTip(name, '') }, {}),
    sort: name,
    section,
    width,
    align: 'right',
    cell: (row) => {
      if (name === 'cpc' && row.cpcLow !== null) return cpcRange(row);
      const value = POOL_READERS[name](row);
      if (value === null) return <span className="faint">{t('parts:poolFigureColumn.unknown')}</span>;
      return digits === 0 ? count(value) : decimal(value, digits);
    },
    ...changes,
  };
}
