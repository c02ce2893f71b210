import type { GapPage } from '@opsimath/contract/api/gaps';
import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { KeywordList } from '@opsimath/contract/api/lists';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Select } from 'antd';
import { count, counted, spelledDay, worth } from '../../parts/words/figures';
import { useWhatToDoQuery } from '../../state/gapsApi';
import type { Scope } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { isNarrowed } from './narrowed';

interface GapTitleProps {
  page: GapPage | undefined;
  query: GapQuery;
  scope: Scope;
  pools: readonly LookUp[];
  lists: readonly KeywordList[];
  busy: boolean;
  onChange: (change: Partial<Scope>) => void;
}

function chosenOf({ pool, list, only }: Scope): string {
  if (list !== null) return `list ${list}`;
  if (only !== '') return only;
  return pool === null ? 'all' : `pool ${pool}`;
}

/** The answer of this stage in one line, and what it was compared over in the next. */
export function GapTitle({ page, query, scope, pools, lists, busy, onChange }: GapTitleProps) {
  const filtered = isNarrowed(scope);
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
          value={chosenOf(scope)}
          onChange={(chosen) => {
            const [kind, id] = chosen.split(' ');
            onChange({
              pool: kind === 'pool' ? Number(id) : null,
              list: kind === 'list' ? Number(id) : null,
              only: kind === 'tracked' ? 'tracked' : '',
              open: null,
            });
          }}
          options={[
            { value: 'all', label: 'all keywords' },
            { value: 'tracked', label: 'all that are tracked' },
            ...lists.map(({ id, name }) => ({ value: `list ${id}`, label: `list “${name}”` })),
            ...pools.map((pool) => ({
              value: `pool ${pool.id}`,
              label: `look-up ${pool.name}, ${spelledDay(pool.date)}`,
            })),
          ]}
        />
        {page && (
          <>
            {' '}
            {counted(page.totals.keywords, 'keyword')}. <FirstWork query={query} />
            {!filtered && <OnFront totals={page.totals} />}
            {busy && ' Working…'}
          </>
        )}
      </div>
    </div>
  );
}

/** What the first pieces of work would add: the same figure as in What to do, which counts each gain once. */
function FirstWork({ query }: { query: GapQuery }) {
  const { project, change } = useScope();
  const { sort: _, ...rest } = query;
  const { currentData: work } = useWhatToDoQuery({ project, query: { ...rest, offset: 0, limit: 1 } });
  if (!work?.first) return null;
  const { lines, value, low, high } = work.first;
  return (
    <>
      The first {lines}{' '}
      <button className="plain written" onClick={() => change({ view: 'work' })}>
        pieces of work
      </button>{' '}
      would add about {worth(value)} {work.currency} a month (80 % between {worth(low)} and {worth(high)},
      estimated).
    </>
  );
}

/** How often we are on the front, with and without what brings little. */
function OnFront({ totals: { onFront, onFrontWithDemand } }: { totals: GapPage['totals'] }) {
  if (onFront === 0) return null;
  return (
    <span title="Fewer clicks a month at our position than the settings call worth counting: no success to count">
      {' '}
      We are on the front for {count(onFront)}; for {count(onFrontWithDemand)} without those that bring
      little.
    </span>
  );
}

function titleWords({ total, totals }: GapPage, filtered: boolean): string {
  if (filtered) return `${counted(total, 'keyword')} ${total === 1 ? 'matches' : 'match'} these filters`;
  const behind = totals.kinds.absent + totals.kinds.buried + totals.kinds.trailing;
  return `${counted(behind, 'keyword')} where a rival stands on the front page ahead of us`;
}
