import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import { LaneHead } from '../../parts/lane/LaneHead';
import { RowLane } from '../../parts/lane/RowLane';
import '../../parts/lane/lane.css';
import { CaptureHere } from './CaptureHere';
import { Tick } from '../../parts/table/Tick';
import type { GridColumn } from '../../parts/table/gridColumn';
import { reasonWords } from '../../parts/words/reasonWords';
import { Warned } from '../../parts/words/Warned';
import { count, counted, decimal, movement, worth } from '../../parts/words/figures';
import { ochreOf } from '../../parts/words/ochre';
import { figureColumn, gapExtraColumns } from './gapExtraColumns';
import type { SpreadOf } from './useWorthSpread';
import { t, wordOf } from '../../words/t';

const WIDE_LANE = 300;
const NARROW_LANE = 226;

/** What the best action adds; of what nobody looked at yet a provisional word, marked as such. */
function AddsWord({ row, typicalGain }: { row: GapRow; typicalGain: number | null }) {
  if (
    row.worthAMonth !== null ||
    row.action !== 'capture first' ||
    typicalGain === null ||
    row.volume === null
  )
    return worth(row.worthAMonth);
  return (
    <span className="faint" title={t('gaps:gapTableColumns.provisionalItsSearchesTimesWhatA')}>
      ~{worth(row.volume * typicalGain)}
    </span>
  );
}

/** How many others the line stands for; pressed, they are shown below it. */
function VariantsOf({ row: { text, variants }, onPress }: { row: GapRow; onPress: () => void }) {
  if (variants === null) return null;
  const many = counted(variants.others, 'variant');
  const words = { many, text, searches: count(variants.searches) };
  return (
    <button
      className="plain faint variants-of"
      aria-expanded={variants.opened}
      aria-label={t('gaps:gapTableColumns.manyOfText', words)}
      title={t('gaps:gapTableColumns.manyTogetherSearchedSearches', words)}
      onClick={(event) => {
        event.stopPropagation();
        onPress();
      }}
    >
      {variants.opened ? '−' : '+'}
      {variants.others}
    </button>
  );
}

interface RowActs {
  selected: ReadonlySet<number>;
  onSelect: (row: GapRow) => void;
  /** Shows the variants of a row, or hides them. */
  onVariants: (row: GapRow) => void;
}

/** The columns of the gap table; beside an open dossier only those that tell rows apart. */
export function gapTableColumns(
  page: GapPage,
  narrow: boolean,
  { selected, onSelect, onVariants }: RowActs,
  extra: readonly string[],
  spreadOf: SpreadOf,
): GridColumn<GapRow>[] {
  const laneWidth = narrow ? NARROW_LANE : WIDE_LANE;
  const all: (GridColumn<GapRow> & { always?: boolean })[] = [
    {
      id: 'tick',
      head: '',
      width: 30,
      pinned: true,
      always: true,
      cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => onSelect(row)} />,
    },
    {
      id: 'keyword',
      head: t('gaps:gapTableColumns.keyword'),
      sort: 'keyword',
      width: narrow ? 212 : 232,
      pinned: true,
      always: true,
      cell: (row) => (
        <span className={row.under === null ? 'keyword-cell' : 'keyword-cell under-variant'}>
          <b title={row.text}>{row.text}</b>
          <Warned warnings={row.warnings} />
          <VariantsOf row={row} onPress={() => onVariants(row)} />
        </span>
      ),
    },
    {
      id: 'kind',
      head: t('gaps:gapTableColumns.kind'),
      sort: 'kind',
      tip: t('gaps:gapTableColumns.exactlyOneOfSevenFromOur'),
      width: narrow ? 92 : 98,
      always: true,
      cell: (row) => `${wordOf(row.kind)}${row.near ? ` ${t('gaps:gapTableColumns.near')}` : ''}`,
    },
    {
      ...figureColumn('move', page),
      always: true,
      cell: (row) => <span className="soft">{movement(row)}</span>,
    },
    {
      id: 'lane',
      head: <LaneHead width={laneWidth} />,
      width: laneWidth + 12,
      always: true,
      cell: (row) => (
        <RowLane row={row} own={page.own} rivals={page.rivals} front={page.front} width={laneWidth} />
      ),
    },
    { ...figureColumn('demand', page), id: 'demand' },
    {
      ...figureColumn('chance', page),
      cell: (row) =>
        row.chanceAssumed ? (
          <span className="soft" title={t('gaps:gapTableColumns.noCaptureForetoldFromThePosition')}>
            ~{decimal(row.chance, 2)}
          </span>
        ) : (
          decimal(row.chance, 2)
        ),
    },
    { ...figureColumn('worth', page), id: 'worth' },
    {
      ...figureColumn('a month', page),
      id: 'month',
      cell: (row) => <AddsWord row={row} typicalGain={page.totals.typicalGain} />,
    },
    {
      ...figureColumn('priority', page),
      always: true,
      cell: (row) => (
        <span className={`ochre ochre-${ochreOf(row.priority, page.totals.topPriority)}`}>
          {worth(row.priority)}
        </span>
      ),
    },
    {
      id: 'do',
      head: t('gaps:gapTableColumns.bestAction'),
      sort: 'action',
      tip: t('gaps:gapTableColumns.whatAddsMostForADay'),
      width: 108,
      cell: (row) =>
        row.action === 'capture first' ? (
          <CaptureHere row={row} />
        ) : (
          <span title={reasonWords(row)}>{wordOf(row.action)}</span>
        ),
    },
  ];
  if (narrow) return all.filter((column) => column.always);
  const further = gapExtraColumns(page, spreadOf);
  return [...all, ...extra.flatMap((id) => further.find((column) => column.id === id) ?? [])];
}
