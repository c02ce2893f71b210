import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { GapRow } from '@opsimath/contract/api/gaps';
import type { PaidView as Data } from '@opsimath/contract/api/paid';
import { Ledger } from '../../parts/table/Ledger';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { Waiting } from '../../parts/words/Waiting';
import { SideName } from '../../parts/words/SideName';
import { Problem } from '../../parts/words/Problem';
import { count, counted, decimal, spelledDay, worth } from '../../parts/words/figures';
import { useGapPageQuery } from '../../state/gapsApi';
import type { Scope } from '../../state/scope';
import { usePaidQuery } from '../../state/standingApi';
import { useScope } from '../../state/useScope';
import { AdTermsTable } from './AdTermsTable';
import { BidsTable } from './BidsTable';

const FEW = 6;

/** What rivals buy and we do not, where we stand above or below, what we pay for twice, and what our terms brought. */
export function PaidView({ query }: { query: GapQuery }) {
  const { project, scope, comparison } = useScope();
  const { data, error } = usePaidQuery({ project, query: { ...comparison, own: scope.own, limit: 1 } });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="paid slots and ad terms" />;
  return (
    <div className="gap-part paid-view">
      <PaidTitle data={data} />
      <div className="paid-columns">
        <PaidList
          title="Rivals buy, we do not"
          tip="Paid state unbid, highest priority first. A paid slot shows belief in the keyword, not profit."
          query={{ ...query, paid: ['unbid'], sort: '-priority' }}
          narrowed={{ paid: ['unbid'], sort: '-priority' }}
          say={(row) => `${row.rivalsPaid.filter((slot) => typeof slot === 'number').length} buy it`}
        />
        <PaidList
          title="They stand above us"
          tip="We pay, and a rival stands above us among the paid slots."
          query={{ ...query, paid: ['outbid'], sort: '-volume' }}
          narrowed={{ paid: ['outbid'], sort: '-volume' }}
          say={(row) => `slot ${row.ownPaid}, best of theirs ${bestOf(row)}`}
        />
        <PaidList
          title="Paid for twice"
          tip="Doubling: we pay while standing at 3 or better without paying. What our ads cost there a month is at stake."
          query={{ ...query, marks: ['doubling'], sort: '-at stake' }}
          narrowed={{ marks: ['doubling'], sort: '-at stake' }}
          say={(row) =>
            row.atStake === null
              ? `at ${row.own}, cost unknown`
              : `at ${row.own}, ${worth(row.atStake)} ${data.currency} a month`
          }
        />
        <PaidList
          title="Paid for but not ranking"
          tip="We pay where we are absent or buried without paying: ads carry what no target of ours does."
          query={{
            ...query,
            paid: ['only us', 'outbid', 'top'],
            kinds: ['absent', 'buried', 'open'],
            sort: '-volume',
          }}
          narrowed={{
            paid: ['only us', 'outbid', 'top'],
            kinds: ['absent', 'buried', 'open'],
            sort: '-volume',
          }}
          say={(row) => `${row.own}, slot ${row.ownPaid}`}
        />
      </div>
      <Sides data={data} />
      <BidsTable />
      <AdTermsTable />
    </div>
  );
}

function PaidTitle({ data }: { data: Data }) {
  return (
    <div>
      <h1>
        {data.doubling === 0
          ? 'Nothing is paid for twice'
          : `${counted(data.doubling, 'keyword')} paid for where we stand at 3 or better anyway`}
      </h1>
      <div className="soft">
        Result pages with their paid slots are captured of {count(data.looked)} of {count(data.keywords)}{' '}
        keywords; of the other {count(data.keywords - data.looked)} it is unknown who else pays.{' '}
        {data.doubling > 0 &&
          (data.costKnown > 0
            ? `They cost ${worth(data.atStake)} ${data.currency} a month, based on the ${count(data.costKnown)} with ad data. `
            : 'What they cost is unknown. ')}
        {data.to === null ? (
          'No own ad search terms are brought in for this market; slots come from captures.'
        ) : (
          <>
            Own ads, {spelledDay(data.from!)} to {spelledDay(data.to)}: {count(data.sum.impressions)}{' '}
            impressions, {counted(data.sum.clicks, 'click')}, {worth(data.sum.cost)} {data.currency} spent,{' '}
            {decimal(data.sum.conversions, 0)} conversions worth {worth(data.sum.value)} {data.currency}. A
            conversion may cost {worth(data.targetCost)} {data.currency}
            {data.targetCostSet ? ' (set)' : ' (what one costs now; Settings can say another)'}.
          </>
        )}
      </div>
    </div>
  );
}

interface PaidListProps {
  title: string;
  tip: string;
  query: GapQuery;
  narrowed: Partial<Scope>;
  say: (row: GapRow) => string;
}

function PaidList({ title, tip, query, narrowed, say }: PaidListProps) {
  const { project, change } = useScope();
  const { data } = useGapPageQuery({ project, query: { ...query, limit: FEW } });
  return (
    <section aria-label={title}>
      <h2 title={tip}>
        {title} <span className="faint">{data ? count(data.total) : '…'}</span>
      </h2>
      <ul>
        {data?.rows.map((row) => (
          <li key={row.id}>
            <OpenKeyword id={row.id} text={row.text} /> <span className="faint">{say(row)}</span>
          </li>
        ))}
        {data?.total === 0 && <li className="soft">nothing matches these filters</li>}
      </ul>
      {data && data.total > FEW && (
        <button className="plain written" onClick={() => change({ view: '', ...narrowed })}>
          all {count(data.total)} in the table
        </button>
      )}
    </section>
  );
}

function bestOf(row: GapRow): number | string {
  const slots = row.rivalsPaid.filter((slot) => typeof slot === 'number');
  return slots.length > 0 ? Math.min(...slots) : 'unknown';
}

const UNKNOWN = <span className="faint">unknown</span>;
const known = (value: number | null): React.ReactNode => (value === null ? UNKNOWN : count(value));

/** Paid against organic keywords of every side; the usual guide is one paid for every two organic ones. */
function Sides({ data }: { data: Data }) {
  return (
    <section>
      <h2 title="Of the keywords compared: those with an organic position, and those with a paid slot in the newest capture. A ratio of two tiny counts says little.">
        Paid against organic keywords
      </h2>
      <Ledger
        className="paid-sides"
        take="Paid against organic"
        rows={data.sides}
        keyOf={({ name }) => name}
        columns={[
          { head: 'Side', cell: (side) => <SideName side={side} /> },
          { head: 'Organic', figure: true, cell: ({ organic }) => known(organic) },
          { head: 'Paid', figure: true, cell: ({ paid }) => known(paid) },
          {
            head: 'Organic to one paid',
            figure: true,
            cell: ({ organic, paid }) =>
              organic === null || paid === null
                ? UNKNOWN
                : paid > 0
                  ? decimal(organic / paid, 1)
                  : 'none paid',
          },
          {
            head: 'Paid missing',
            tip: `Paid keywords short of one for every ${decimal(data.guide, 1)} organic ones; Settings can say another`,
            figure: true,
            cell: ({ missing }) => known(missing),
          },
        ]}
      />
    </section>
  );
}
