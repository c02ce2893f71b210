import type { Marker } from '@opsimath/contract/api/markers';
import type { SiftRow } from '@opsimath/contract/api/sift';
import { POOL_READERS } from '@opsimath/contract/figures/poolFigures';
import { laneColumn } from '../../parts/pool/laneColumn';
import { poolFigureColumn } from '../../parts/pool/poolFigureColumn';
import type { PoolSides } from '../../parts/pool/poolSides';
import type { GridColumn } from '../../parts/table/gridColumn';
import { Tick } from '../../parts/table/Tick';
import { MarkerRow } from '../../parts/marks/MarkerShapes';
import { count, decimal } from '../../parts/words/figures';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { type ExtraColumn, FIGURE_COLUMNS, type FigureColumn } from './extraColumns';
import { PurposeChoice } from './PurposeChoice';
import { FIGURE_TIPS } from './figureTips';

const LANE = 250;
/** Beside further columns the lane is narrower, so that they are seen without scrolling. */
const NARROW_LANE = 170;
const ROW = 34;
/** From here on a language is told without saying how sure that is. */
const SURE = 0.8;

/** The columns of what came through a recipe. */
export function siftColumns(task: {
  sides: PoolSides;
  targets: number;
  selected: ReadonlySet<number>;
  markers: readonly Marker[];
  extra: readonly ExtraColumn[];
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
      width: 212,
      cell: (row) => (
        <span
          className={row.translation ? 'said-twice' : undefined}
          title={row.translation ? `${row.text}: “${row.translation}” (machine-made)` : row.text}
        >
          <b>{row.text}</b>
          <MarkerRow ids={row.markers} markers={task.markers} />
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
              key={word.spelled ?? word.text}
              className="banned-mark"
              title={`${word.spelled === null ? '' : `“${word.spelled}” is another spelling of it. `}“${word.text}” is ${word.level}: ${word.reason}`}
            >
              {word.level}
            </span>
          ))}
          {row.translation && <i className="faint">{row.translation}</i>}
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
    poolFigureColumn('volume'),
    laneColumn(sides, { width: task.extra.length > 0 ? NARROW_LANE : LANE, height: ROW }),
    poolFigureColumn('targets', {
      cell: (row) => `${POOL_READERS.targets(row)} of ${task.targets}`,
    }),
    poolFigureColumn('cpc', { width: 84 }),
    poolFigureColumn('difficulty', { width: 70 }),
    ...task.extra.map((id) => EXTRA[id]),
  ];
}

const FIGURES = Object.fromEntries(
  FIGURE_COLUMNS.map((name): [FigureColumn, GridColumn<SiftRow>] => [
    name,
    {
      id: name,
      head: name[0]!.toUpperCase() + name.slice(1),
      tip: FIGURE_TIPS[name],
      width: 30 + 7 * name.length,
      align: 'right',
      cell: ({ figures }) => {
        const value = figures[name] ?? null;
        return value === null ? (
          <span className="faint">unknown</span>
        ) : (
          decimal(value, name === 'nearness' ? 2 : 0)
        );
      },
    },
  ]),
) as Record<FigureColumn, GridColumn<SiftRow>>;

const EXTRA: Record<ExtraColumn, GridColumn<SiftRow>> = {
  ...FIGURES,
  purpose: {
    id: 'purpose',
    head: 'Purpose',
    tip: 'What the search is for: seek a name or place, weigh, learn, buy; by rules that each row names.',
    width: 66,
    cell: (row) => <PurposeChoice row={row} />,
  },
  language: {
    id: 'language',
    head: 'Lang.',
    tip: 'Language by dictionaries and letters, with how sure that is. Estimated.',
    width: 62,
    cell: ({ language }) =>
      language ? (
        <span title={`${LANGUAGE_NAMES[language.code]}, ${Math.round(100 * language.confidence)} % sure`}>
          {language.code}
          {language.confidence < SURE && (
            <span className="faint"> {Math.round(100 * language.confidence)} %</span>
          )}
        </span>
      ) : (
        <span className="faint">–</span>
      ),
  },
  contained: {
    id: 'contained',
    head: 'Contained in',
    tip: 'Other keywords of the pool that hold it as a phrase, and their searches a month together: what its own volume does not show.',
    width: 108,
    align: 'right',
    cell: ({ contained }) =>
      contained && contained.keywords > 0 ? (
        <span>
          {count(contained.keywords)} <span className="faint">{count(contained.volume)}</span>
        </span>
      ) : (
        <span className="faint">–</span>
      ),
  },
  reason: { id: 'reason', head: 'Reason', width: 110, cell: ({ reason }) => reason },
  words: poolFigureColumn('words'),
  trend: poolFigureColumn('trend', {
    align: undefined,
    width: 60,
    cell: ({ trend }) => trend ?? <span className="faint">–</span>,
  }),
  competition: poolFigureColumn('adCompetition'),
  sources: poolFigureColumn('sources', { align: undefined, cell: ({ found }) => found.join(', ') }),
};
