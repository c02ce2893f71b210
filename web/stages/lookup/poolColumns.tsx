import type { PoolPage, PoolRow } from '@opsimath/contract/api/lookUps';
import { MonthLine } from '../../parts/charts/MonthLine';
import type { GridColumn } from '../../parts/table/gridColumn';
import { Tick } from '../../parts/table/Tick';
import { age, count, decimal, volumeWord } from '../../parts/words/figures';
import type { ColumnId } from './poolColumnNames';
import { laneColumn } from '../../parts/pool/laneColumn';
import type { PoolSides } from '../../parts/pool/poolSides';

const LANE = 214;
const ROW = 34;
const SHORT = new Intl.NumberFormat('en-US', { notation: 'compact', maximumFractionDigits: 1 });

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
      head: 'Keyword',
      sort: 'keyword',
      width: 190,
      cell: (row) => (
        <span title={row.text}>
          <b>{row.text}</b>
          {row.banned.map((word) => (
            <span
              key={word.text}
              className="banned-mark"
              title={`“${word.text}” is ${word.level}${word.reason ? `: ${word.reason}` : ''}`}
            >
              {word.level}
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
    found: {
      id: 'found',
      head: 'How found',
      sort: 'sources',
      tip: 'Every way in which this keyword came into the pool. Sorts by how many.',
      width: 130,
      cell: (row) => (
        <span title={`${row.found.join(', ')}${row.from.length > 0 ? `; from ${row.from.join(', ')}` : ''}`}>
          {row.found.join(', ')}
        </span>
      ),
    },
    volume: {
      id: 'volume',
      head: 'Volume',
      sort: 'volume',
      tip: 'Searches a month: mean of the latest 12 known months (§2), rounded. Fewer months are marked with ~.',
      width: 78,
      align: 'right',
      cell: (row) => {
        if (row.volume === null) return <span className="faint">unknown</span>;
        const old = row.metricsDate === null ? '' : age(row.metricsDate, today, oldAfter);
        return (
          <span
            title={`of ${row.metricsDate}${old}, ${row.volumeRange ? `given as a range, counted as ${count(row.volume)}` : `${row.volumeMonths || 'no'} months given`}`}
          >
            {old !== '' && <i className="old-mark">old</i>}
            {row.volumeMonths < 12 && row.volumeMonths > 0 && '~'}
            {volumeWord(row)}
          </span>
        );
      },
    },
    months: {
      id: 'months',
      head: '12 months',
      sort: 'peak',
      tip: 'Searches month by month. Sorts by the month of the season’s peak.',
      width: 84,
      cell: (row) => (
        <MonthLine months={row.months} peak={row.peak} lastMonth={lastMonth} width={70} height={20} />
      ),
    },
    trend: {
      id: 'trend',
      head: 'Trend',
      sort: 'trend',
      tip: 'Rising or falling over three years after taking out the season, said only at p < 0.05 (§2). Yearly change of ln(1 + volume). Estimated.',
      width: 88,
      cell: (row) =>
        row.trend === null ? (
          <span className="faint">unknown</span>
        ) : (
          <span>
            {row.trend}{' '}
            {row.trend !== 'level' && (
              <span className="faint">{`${decimal(100 * (Math.exp(row.trendSlope ?? 0) - 1), 0)} %`}</span>
            )}
          </span>
        ),
    },
    lane: laneColumn(sides, { width: LANE, height: ROW }),
    targets: {
      id: 'targets',
      head: 'Targets',
      sort: 'targets',
      tip: 'How many of the looked-up targets rank.',
      width: 58,
      align: 'right',
      cell: (row) =>
        `${row.organic.filter((position) => position !== null).length} of ${page.targets.length}`,
    },
    appearances: {
      id: 'appearances',
      head: 'Appear.',
      sort: 'appearances',
      tip: 'Of how many of the first ten it is also ranked (§9), or how many targets of the front use it.',
      width: 62,
      align: 'right',
      cell: (row) => count(row.appearances ?? row.uses),
    },
    clicks: {
      id: 'clicks',
      head: 'Clicks',
      sort: 'clicks',
      tip: 'Clicks a month of all these targets together: volume · c(position) · feature factor (§3). Estimated.',
      width: 62,
      align: 'right',
      cell: (row) => count(row.clicks),
    },
    cpc: {
      id: 'cpc',
      head: 'CPC',
      sort: 'cpc',
      tip: 'What advertisers pay for a click, low to high, in the market’s currency.',
      width: 84,
      align: 'right',
      cell: (row) =>
        row.cpcLow === null ? (
          <span className="faint">unknown</span>
        ) : (
          `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`
        ),
    },
    adCompetition: {
      id: 'adCompetition',
      head: 'Ad comp.',
      sort: 'adCompetition',
      tip: 'Ad competition 0–1: how many advertisers bid. It says nothing about organic difficulty.',
      width: 60,
      align: 'right',
      cell: (row) => decimal(row.adCompetition, 2),
    },
    difficulty: {
      id: 'difficulty',
      head: 'Difficulty',
      sort: 'difficulty',
      tip: 'Organic difficulty 0–100 of the captured front (§6): 0.7 · median authority + 30 · share with the phrase in the title. Unknown without a capture. Estimated.',
      width: 66,
      align: 'right',
      cell: (row) => (row.difficulty === null ? <span className="faint">unknown</span> : row.difficulty),
    },
    results: {
      id: 'results',
      head: 'Results',
      sort: 'results',
      tip: 'Results that the source counts: rough competition, never an input of chance.',
      width: 62,
      align: 'right',
      cell: (row) => (row.results === null ? '–' : SHORT.format(row.results)),
    },
    words: {
      id: 'words',
      head: 'Words',
      sort: 'words',
      tip: 'How many words the keyword has.',
      width: 50,
      align: 'right',
      cell: (row) => row.words,
    },
  };
}
