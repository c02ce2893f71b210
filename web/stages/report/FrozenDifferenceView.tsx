import type { FrozenDifference } from '@opsimath/contract/api/reports';
import { Ledger } from '../../parts/table/Ledger';
import { Problem } from '../../parts/words/Problem';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useFrozenDifferenceQuery } from '../../state/frozenApi';
import { useScope } from '../../state/useScope';

type Moved = FrozenDifference['closed'][number];

/** What was closed and what opened since another frozen report. */
export function FrozenDifferenceView({ id, before }: { id: number; before: number }) {
  const { project } = useScope();
  const { data, error } = useFrozenDifferenceQuery({ project, id, before });
  if (error) return <Problem error={error} />;
  if (!data) return <p className="soft">Holding them against each other…</p>;
  return (
    <section className="frozen-difference" aria-label="Since then">
      <h2>
        {count(data.closedInAll)} closed, {count(data.openedInAll)} opened since{' '}
        {spelledDay(data.before.date)}
      </h2>
      <p className="soft">
        Over {counted(data.both, 'keyword')} that are in both; {count(data.came)} came and {count(data.went)}{' '}
        went. Where either does not know how a keyword stands, nothing is said.
      </p>
      <div className="two">
        <Side title="Closed: no rival stands before us any more" rows={data.closed} />
        <Side title="Opened: a rival stands before us now" rows={data.opened} />
      </div>
    </section>
  );
}

const MOST = 25;

function Side({ title, rows }: { title: string; rows: readonly Moved[] }) {
  return (
    <div>
      <h3>{title}</h3>
      {rows.length === 0 ? (
        <p className="soft">None.</p>
      ) : (
        <Ledger
          label={title}
          rows={rows.slice(0, MOST)}
          keyOf={({ keyword }) => keyword}
          columns={[
            { head: 'Keyword', cell: ({ keyword }) => keyword },
            { head: 'Before', cell: ({ before, ownBefore }) => `${before ?? 'not known'}${said(ownBefore)}` },
            { head: 'Now', cell: ({ after, ownAfter }) => `${after ?? 'not known'}${said(ownAfter)}` },
            { head: 'Searches', figure: true, cell: ({ demand }) => count(demand) },
          ]}
        />
      )}
      {rows.length > MOST && <p className="soft">and {count(rows.length - MOST)} more</p>}
    </div>
  );
}

const said = (position: Moved['ownBefore']): string => (typeof position === 'number' ? `, ${position}` : '');
