import type { LookUp, PoolPage } from '@opsimath/contract/api/lookUps';
import type { Target } from '@opsimath/contract/api/targets';
import { rivalLetters } from '@opsimath/core/gap/letters';
import { Input } from 'antd';
import { useCallback, useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Lane } from '../../parts/lane/Lane';
import { LaneHead } from '../../parts/lane/LaneHead';
import '../../parts/lane/lane.css';
import { Tick } from '../../parts/table/Tick';
import { VirtualGrid } from '../../parts/table/VirtualGrid';
import type { GridColumn } from '../../parts/table/gridColumn';
import { PAGE_ROWS, rowFinder, useVisiblePages } from '../../parts/table/usePages';
import { Problem } from '../../parts/words/Problem';
import { count, decimal, spelledDay } from '../../parts/words/figures';
import { usePoolQuery, useTargetsQuery } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { toggle } from '../../state/tray';
import { useScope } from '../../state/useScope';

type PoolRow = PoolPage['rows'][number];
type PoolSort = 'keyword' | 'volume' | 'targets' | 'best' | 'paid' | 'cpc' | 'adCompetition';
const LANE = 250;
const NOTHING: { id: number; text: string }[] = [];

/** The pool of one look-up: every keyword with where each target stands. */
export function PoolTable({ lookUp }: { lookUp: LookUp }) {
  const { project } = useScope();
  const { search } = useLocation();
  const dispatch = useAppDispatch();
  const tray = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const selected = useMemo(() => new Set(tray.map((keyword) => keyword.id)), [tray]);
  const { data: targets } = useTargetsQuery(project);
  const [find, setFind] = useState('');
  const [order, setOrder] = useState<{ sort: PoolSort; descending: boolean }>({
    sort: 'volume',
    descending: true,
  });
  const { pages, onVisible } = useVisiblePages();
  const query = { find, sort: order.sort, descending: String(order.descending) };
  const first = usePoolQuery({ lookUp: lookUp.id, query: { ...query, offset: 0 } });
  const upper = usePoolQuery({ lookUp: lookUp.id, query: { ...query, offset: pages[0] * PAGE_ROWS } });
  const lower = usePoolQuery({ lookUp: lookUp.id, query: { ...query, offset: pages[1] * PAGE_ROWS } });
  const page = first.data;
  const select = useCallback(
    (row: PoolRow) => void dispatch(toggle({ project, keyword: { id: row.id, text: row.text } })),
    [dispatch, project],
  );
  const columns = useMemo(
    () => (page ? poolColumns(page, targets ?? [], selected, select) : []),
    [page, targets, selected, select],
  );
  const rowAt = rowFinder<PoolRow>([
    { page: 0, rows: first.currentData?.rows },
    { page: pages[0], rows: upper.currentData?.rows },
    { page: pages[1], rows: lower.currentData?.rows },
  ]);
  return (
    <div className="pool">
      <header className="pool-head">
        <div>
          <h1>
            {count(page?.total)} keywords{find && ' found'}
          </h1>
          <div className="soft">
            Pool of {lookUp.name}, {spelledDay(lookUp.date)}.{' '}
            <Link
              to={`/p/${project}/gaps?${new URLSearchParams({ ...Object.fromEntries(new URLSearchParams(search)), pool: String(lookUp.id) })}`}
            >
              Compare these in Gaps
            </Link>
          </div>
        </div>
        <Input
          allowClear
          aria-label="Find in this pool"
          placeholder="Find in this pool"
          value={find}
          maxLength={300}
          style={{ width: 200 }}
          onChange={(event) => setFind(event.target.value)}
        />
      </header>
      {first.error && <Problem error={first.error} />}
      {page && page.total > 0 && (
        <VirtualGrid
          listName={JSON.stringify(query)}
          label="Pool"
          columns={columns}
          total={page.total}
          rowAt={rowAt}
          idOf={(row) => row.id}
          rowHeight={34}
          sort={order.sort}
          descending={order.descending}
          selected={selected}
          onVisible={onVisible}
          onSort={(sort, descending) => setOrder({ sort: sort as PoolSort, descending })}
          onSelect={select}
        />
      )}
      {page?.total === 0 && (
        <p className="soft">{find ? 'No keyword of this pool contains that.' : 'Nothing has come yet.'}</p>
      )}
    </div>
  );
}

/** One looked-up target as the lane shows it: letters and hues as everywhere else in the project. */
interface PoolSide {
  index: number;
  name: string;
  letter: string;
  hue: number;
}

function sidesOf(
  page: PoolPage,
  targets: readonly Target[],
): { own: number; ownName: string; others: PoolSide[] } {
  const own = page.targets.findIndex((address) =>
    targets.some((target) => target.side === 'own' && target.address === address),
  );
  const rivals = targets.filter((target) => target.side === 'rival');
  const known = rivals.map((rival) => rival.address);
  const strangers = page.targets.filter((address, t) => t !== own && !known.includes(address));
  const order = [...known, ...strangers];
  const letters = rivalLetters([...rivals.map((rival) => rival.name), ...strangers]);
  const others = page.targets.flatMap((address, index) => {
    const hue = order.indexOf(address);
    return index === own || hue < 0
      ? []
      : [{ index, name: rivals[hue]?.name ?? address, letter: letters[hue]!, hue }];
  });
  return {
    own,
    ownName: targets.find((target) => target.address === page.targets[own])?.name ?? 'Own site',
    others,
  };
}

function poolColumns(
  page: PoolPage,
  targets: readonly Target[],
  selected: ReadonlySet<number>,
  onSelect: (row: PoolRow) => void,
): GridColumn<PoolRow>[] {
  const { own, ownName, others } = sidesOf(page, targets);
  return [
    {
      id: 'tick',
      head: '',
      width: 30,
      cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => onSelect(row)} />,
    },
    {
      id: 'keyword',
      head: 'Keyword',
      sort: 'keyword',
      width: 216,
      cell: (row) => <b title={row.text}>{row.text}</b>,
    },
    {
      id: 'volume',
      head: 'Volume',
      sort: 'volume',
      tip: 'Searches a month, mean of the latest 12.',
      width: 76,
      align: 'right',
      cell: (row) => count(row.volume),
    },
    {
      id: 'lane',
      name: 'Best position',
      head: <LaneHead width={LANE} />,
      sort: 'best',
      tip: 'Positions this look-up found. A target without a position here may be absent or unknown: only a capture tells.',
      width: LANE + 14,
      cell: (row) => (
        <Lane
          width={LANE}
          height={34}
          front={10}
          own={{
            name: ownName,
            organic: row.organic[own] ?? 'unknown',
            before: null,
            paid: row.paid[own] ?? 'unknown',
          }}
          rivals={others.map((side) => ({
            ...side,
            organic: row.organic[side.index] ?? 'unknown',
            paid: row.paid[side.index] ?? 'unknown',
          }))}
        />
      ),
    },
    {
      id: 'targets',
      head: 'Targets',
      sort: 'targets',
      tip: 'How many of the looked-up targets rank.',
      width: 66,
      align: 'right',
      cell: (row) =>
        `${row.organic.filter((position) => position !== null).length} of ${page.targets.length}`,
    },
    {
      id: 'cpc',
      head: 'CPC',
      sort: 'cpc',
      tip: 'What advertisers pay for a click, low to high.',
      width: 92,
      align: 'right',
      cell: (row) =>
        row.cpcLow === null ? (
          <span className="faint">unknown</span>
        ) : (
          `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`
        ),
    },
    {
      id: 'adCompetition',
      head: 'Ad comp.',
      sort: 'adCompetition',
      tip: 'Ad competition 0–1: how many advertisers bid. It says nothing about organic difficulty.',
      width: 70,
      align: 'right',
      cell: (row) => decimal(row.adCompetition, 2),
    },
  ];
}
