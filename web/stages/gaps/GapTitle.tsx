import type { GapPage, GapQuery } from '@opsimath/contract/api/gaps';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Select } from 'antd';
import { count, percent, spelledDay, worth } from '../../parts/words/figures';

interface GapTitleProps {
  page: GapPage | undefined;
  query: GapQuery;
  pools: readonly LookUp[];
  busy: boolean;
  onPool: (pool: number | null) => void;
}
const ALL = 0;

/** The answer of this stage in one line, and what it was compared over in the next. */
export function GapTitle({ page, query, pools, busy, onPool }: GapTitleProps) {
  const filtered =
    [query.kinds, query.paid, query.marks].some((list) => Array.isArray(list) && list.length > 0) ||
    Boolean(query.find);
  return (
    <div>
      <h1 aria-live="polite">{page ? titleWords(page, filtered) : 'Comparing…'}</h1>
      <div className="soft">
        From{' '}
        <Select
          variant="borderless"
          size="small"
          aria-label="Keywords compared"
          className="written"
          popupMatchSelectWidth={false}
          value={Number(query.pool ?? ALL)}
          onChange={(pool) => onPool(pool === ALL ? null : pool)}
          options={[
            { value: ALL, label: 'all keywords' },
            ...pools.map((pool) => ({
              value: pool.id,
              label: `look-up ${pool.name}, ${spelledDay(pool.date)}`,
            })),
          ]}
        />
        {page && (
          <>
            {' '}
            {count(page.totals.keywords)} keywords.{' '}
            {page.totals.worthAMonth > 0 && (
              <>
                Worth about {worth(page.totals.worthAMonth)} {page.currency} a month if all were won
                (estimated); the first 20 carry {percent(page.totals.firstTwenty, 0)} of it.
              </>
            )}
            {busy && ' Working…'}
          </>
        )}
      </div>
    </div>
  );
}

function titleWords({ total, totals }: GapPage, filtered: boolean): string {
  if (filtered) return `${count(total)} keywords of this choice`;
  const behind = totals.kinds.absent + totals.kinds.buried + totals.kinds.trailing;
  return `${count(behind)} keywords where a rival stands on the front page ahead of us`;
}
