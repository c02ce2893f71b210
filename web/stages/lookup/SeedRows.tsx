import type { PoolPage } from '@opsimath/contract/api/pool';
import { MonthLine } from '../../parts/charts/MonthLine';
import { count, decimal } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';

/** The seed keywords' own figures, apart from what was found. */
export function SeedRows({ rows }: { rows: PoolPage['seeds'] }) {
  const { scope } = useScope();
  const lastMonth = (new Date(scope.date).getUTCMonth() + 11) % 12;
  return (
    <ul className="seed-rows" aria-label="Seed keywords">
      {rows.map((row) => (
        <li key={row.id}>
          <span className="soft">seed</span> <b>{row.text}</b>{' '}
          <span>volume {row.volume === null ? 'unknown' : count(row.volume)}</span>
          {row.months.length > 0 && (
            <MonthLine months={row.months} peak={row.peak} lastMonth={lastMonth} width={70} height={18} />
          )}
          <span>difficulty {row.difficulty === null ? 'unknown' : row.difficulty}</span>
          <span>
            CPC {row.cpcLow === null ? 'unknown' : `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`}
          </span>
          {row.oftener && (
            <span>
              searched far more often: <b>{row.oftener.text}</b>, {count(row.oftener.volume)}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
