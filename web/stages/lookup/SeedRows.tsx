import type { PoolPage } from '@opsimath/contract/api/pool';
import { MonthLine } from '../../parts/charts/MonthLine';
import { count, decimal } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

/** The seed keywords' own figures, apart from what was found. */
export function SeedRows({ rows }: { rows: PoolPage['seeds'] }) {
  const { scope } = useScope();
  const lastMonth = (new Date(scope.date).getUTCMonth() + 11) % 12;
  return (
    <ul className="seed-rows" aria-label={t('lookup:SeedRows.seedKeywords')}>
      {rows.map((row) => (
        <li key={row.id}>
          <span className="soft">{t('lookup:SeedRows.seed')}</span> <b>{row.text}</b>{' '}
          <span>
            {t('lookup:SeedRows.volumeWhich', {
              which: row.volume === null ? t('lookup:SeedRows.unknown') : count(row.volume),
            })}
          </span>
          {row.months.length > 0 && (
            <MonthLine months={row.months} peak={row.peak} lastMonth={lastMonth} width={70} height={18} />
          )}
          <span>
            {t('lookup:SeedRows.difficultyWhich', {
              which: row.difficulty === null ? t('lookup:SeedRows.unknown') : row.difficulty,
            })}
          </span>
          <span>
            {t('lookup:SeedRows.cPCWhich', {
              which:
                row.cpcLow === null
                  ? t('lookup:SeedRows.unknown')
                  : `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`,
            })}
          </span>
          {row.oftener && (
            <span>
              <Told
                id="lookup:SeedRows.searchedFarMoreOftenTextVolume"
                values={{ text: row.oftener.text, volume: count(row.oftener.volume) }}
                parts={{ b: <b /> }}
              />
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
