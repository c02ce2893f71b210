import type { SiftRow } from '@opsimath/contract/api/sift';
import { laneColumn } from '../../parts/pool/laneColumn';
import type { PoolSides } from '../../parts/pool/poolSides';
import type { GridColumn } from '../../parts/table/gridColumn';
import { Tick } from '../../parts/table/Tick';
import { count, decimal } from '../../parts/words/figures';

const LANE = 250;
const ROW = 34;

/** The columns of what came through a recipe. */
export function siftColumns(task: {
  sides: PoolSides;
  targets: number;
  selected: ReadonlySet<number>;
  onSelect: (row: SiftRow) => void;
  onRelease: (row: SiftRow) => void;
}): GridColumn<SiftRow>[] {
  const { sides, selected } = task;
  return [
    {
      id: 'tick',
      head: '',
      width: 28,
      cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => task.onSelect(row)} />,
    },
    {
      id: 'keyword',
      head: 'Keyword',
      sort: 'keyword',
      width: 232,
      cell: (row) => (
        <span title={row.text}>
          <b>{row.text}</b>
          {row.rescued && (
            <button
              className="plain rescued-mark"
              title="Rescued: comes through whatever the sieves say. Press to give it up."
              onClick={(event) => {
                event.stopPropagation();
                task.onRelease(row);
              }}
            >
              rescued
            </button>
          )}
          {row.banned.map((word) => (
            <span
              key={word.text}
              className="banned-mark"
              title={`“${word.text}” is ${word.level}: ${word.reason}`}
            >
              {word.level}
            </span>
          ))}
        </span>
      ),
    },
    {
      id: 'verdict',
      head: 'Verdict',
      tip: 'fit, adjacent (complementary: still worth showing up for) or off; until then unjudged. Keys f, a, o, u; w parks.',
      width: 78,
      cell: (row) => (
        <span
          className={`verdict ${row.parked ? 'parked' : row.verdict}`}
          title={[row.reason, row.person].filter(Boolean).join(', ')}
        >
          {row.parked ? 'parked' : row.verdict === 'unjudged' ? '' : row.verdict}
        </span>
      ),
    },
    {
      id: 'volume',
      head: 'Volume',
      sort: 'volume',
      tip: 'Searches a month: mean of the latest 12 known months (§2).',
      width: 72,
      align: 'right',
      cell: (row) => (row.volume === null ? <span className="faint">unknown</span> : count(row.volume)),
    },
    laneColumn(sides, { width: LANE, height: ROW }),
    {
      id: 'targets',
      head: 'Rank',
      sort: 'targets',
      tip: 'How many of the looked-up targets rank.',
      width: 52,
      align: 'right',
      cell: (row) => `${row.organic.filter((position) => position !== null).length} of ${task.targets}`,
    },
    {
      id: 'cpc',
      head: 'CPC',
      sort: 'cpc',
      tip: 'What advertisers pay for a click, low to high, in the market’s currency.',
      width: 78,
      align: 'right',
      cell: (row) =>
        row.cpcLow === null ? (
          <span className="faint">–</span>
        ) : (
          `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`
        ),
    },
    {
      id: 'difficulty',
      head: 'Diff.',
      sort: 'difficulty',
      tip: 'Organic difficulty 0–100 of the captured front (§6). Unknown without a capture. Estimated.',
      width: 44,
      align: 'right',
      cell: (row) => (row.difficulty === null ? <span className="faint">–</span> : row.difficulty),
    },
  ];
}
