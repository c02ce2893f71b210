import type { PoolPage, PoolRow } from '@opsimath/contract/api/pool';
import { POOL_READERS } from '@opsimath/contract/figures/poolFigures';
import { MonthLine } from '../../parts/charts/MonthLine';
import type { GridColumn } from '../../parts/table/gridColumn';
import { Tick } from '../../parts/table/Tick';
import { age, count, decimal, volumeWord } from '../../parts/words/figures';
import type { ColumnId } from './poolColumnNames';
import { laneColumn } from '../../parts/pool/laneColumn';
import { poolFigureColumn } from '../../parts/pool/poolFigureColumn';
import type { PoolSides } from '../../parts/pool/poolSides';
import { localeNow, t, wordOf } from '../../words/t';

const LANE = 214;
const ROW = 34;
const SHORT = new Intl.NumberFormat(localeNow().numbers, { notation: 'compact', maximumFractionDigits: 1 });

interface PoolColumnsTask {
  page: PoolPage;
  sides: PoolSides;
  shown: readonly ColumnId[];
  selected: ReadonlySet<number>;
  /** Calendar month of the last month shown. */
  lastMonth: number;
  /** Day against which figures are old. */
  today: string;
  /** In days. */
  oldAfter: number;
  onSelect: (row: PoolRow) => void;
}

/** The columns of a pool: the keyword always, the others as chosen. */
export function poolColumns(task: PoolColumnsTask): GridColumn<PoolRow>[] {
  const { shown, selected, onSelect } = task;
  const all = columnsById(task);
  return [
    {
      id: 'tick',
      head: '',
      width: 28,
      cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => onSelect(row)} />,
    },
    {
      id: 'keyword',
      head: t('lookup:poolColumns.keyword'),
      sort: 'keyword',
      width: 190,
      cell: (row) => (
        <span title={row.text}>
          <b>{row.text}</b>
          {row.banned.map((word) => (
            <span
              key={word.text}
              className="banned-mark"
              title={t('lookup:poolColumns.textIsLevelWhich', {
                text: word.text,
                level: wordOf(word.level),
                which: word.reason ? `: ${word.reason}` : '',
              })}
            >
              {wordOf(word.level)}
            </span>
          ))}
        </span>
      ),
    },
    ...shown.map((id) => all[id]),
  ];
}

function columnsById({
  page,
  sides,
  lastMonth,
  today,
  oldAfter,
}: PoolColumnsTask): Record<ColumnId, GridColumn<PoolRow>> {
  return {
    found: poolFigureColumn('sources', {
      align: undefined,
      cell: (row) => (
        <span
          title={`${row.found.join(', ')}${row.from.length > 0 ? t('lookup:poolColumns.fromFrom', { from: row.from.join(', ') }) : ''}`}
        >
          {row.found.join(', ')}
        </span>
      ),
    }),
    volume: poolFigureColumn('volume', {
      cell: (row) => {
        if (row.volume === null) return <span className="faint">{t('lookup:poolColumns.unknown')}</span>;
        const old = row.metricsDate === null ? '' : age(row.metricsDate, today, oldAfter);
        return (
          <span
            title={t('lookup:poolColumns.ofMetricsDateOldWhich', {
              metricsDate: row.metricsDate,
              old,
              which: row.volumeRange
                ? t('lookup:poolColumns.givenAsARangeCountedAs', { volume: count(row.volume) })
                : t('lookup:poolColumns.volumeMonthsMonthsGiven', {
                    volumeMonths: row.volumeMonths || t('lookup:poolColumns.no'),
                  }),
            })}
          >
            {old !== '' && <i className="old-mark">{t('lookup:poolColumns.old')}</i>}
            {row.volumeMonths < 12 && row.volumeMonths > 0 && '~'}
            {volumeWord(row)}
          </span>
        );
      },
    }),
    months: poolFigureColumn('peak', {
      align: undefined,
      cell: (row) => (
        <MonthLine months={row.months} peak={row.peak} lastMonth={lastMonth} width={70} height={20} />
      ),
    }),
    trend: poolFigureColumn('trend', {
      align: undefined,
      cell: (row) =>
        row.trend === null ? (
          <span className="faint">{t('lookup:poolColumns.unknown')}</span>
        ) : (
          <span>
            {wordOf(row.trend)}{' '}
            {row.trend !== 'level' && (
              <span className="faint">{`${decimal(100 * (Math.exp(row.trendSlope ?? 0) - 1), 0)} %`}</span>
            )}
          </span>
        ),
    }),
    lane: laneColumn(sides, { width: LANE, height: ROW }),
    page: {
      id: 'page',
      head: t('lookup:poolColumns.rankingPage'),
      tip: t('lookup:poolColumns.pageVideoOrListingThatHolds'),
      width: 190,
      cell: ({ page: address }) =>
        address === null ? (
          <span className="faint">–</span>
        ) : (
          <span title={address}>{shortened(address, page.targets)}</span>
        ),
    },
    targets: poolFigureColumn('targets', {
      cell: (row) =>
        t('lookup:poolColumns.targetsOfTargets2', {
          targets: POOL_READERS.targets(row),
          targets2: page.targets.length,
        }),
    }),
    appearances: poolFigureColumn('appearances'),
    clicks: poolFigureColumn('clicks'),
    cpc: poolFigureColumn('cpc'),
    adCompetition: poolFigureColumn('adCompetition'),
    difficulty: poolFigureColumn('difficulty'),
    results: poolFigureColumn('results', {
      cell: (row) => (row.results === null ? '–' : SHORT.format(row.results)),
    }),
    words: poolFigureColumn('words'),
  };
}

/** Without the host, where the pool is of one target alone. */
function shortened(address: string, targets: readonly string[]): string {
  const [only] = targets;
  return targets.length === 1 && address.startsWith(`${only}/`) ? address.slice(only!.length) : address;
}
