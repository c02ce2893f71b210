import type { GapGroupQuery, GapGroups } from '@opsimath/contract/api/gaps';
import { Ledger } from '../../parts/table/Ledger';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, decimal, worth } from '../../parts/words/figures';
import { useGapGroupsQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';

const MOST = 200;
const HEADS = {
  cluster: 'Cluster, by its best keyword',
  target: 'Our target that ranks',
  action: 'What to do',
  'page kind': 'Kind of our page that ranks',
};

/** What passes the filter in groups; pressing one shows its keywords. */
export function GroupTable({ project, query }: { project: number; query: GapGroupQuery }) {
  const { change } = useScope();
  const { data, error } = useGapGroupsQuery({ project, query: { ...query, limit: MOST } });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="the groups" />;
  const open = ({ narrowed }: GapGroups['groups'][number]): void =>
    change({
      by: '',
      cluster: narrowed.cluster ?? null,
      answering: narrowed.target ?? '',
      ...(narrowed.actions && { actions: narrowed.actions }),
      ...(narrowed.pageKinds && { pageKinds: narrowed.pageKinds }),
    });
  return (
    <section className="gap-groups" aria-label="Groups">
      <Ledger
        take={`Gaps by ${query.by}`}
        rows={data.groups}
        keyOf={(group) => `${group.name}:${group.best.id}`}
        columns={[
          {
            head: HEADS[query.by],
            cell: (group) =>
              group.name === '' ? (
                <span className="soft">none of ours ranks</span>
              ) : (
                <button className="plain" onClick={() => open(group)}>
                  <b>{group.name}</b>
                </button>
              ),
          },
          { head: 'Keywords', figure: true, cell: ({ keywords }) => count(keywords) },
          {
            head: 'Volume',
            tip: 'Searches a month of all of them',
            figure: true,
            cell: ({ volume }) => count(volume),
          },
          {
            head: 'Adds',
            tip: 'What the best actions add a month, each keyword by itself; estimated',
            figure: true,
            cell: ({ worthAMonth }) => worth(worthAMonth),
          },
          {
            head: 'Days',
            tip: 'Days of work, were each keyword worked on by itself',
            figure: true,
            cell: ({ days }) => decimal(days, 1),
          },
          query.by !== 'cluster' && { head: 'Best of them', cell: ({ best }) => best.text },
        ]}
      />
      {data.total > MOST && (
        <p className="soft">
          The {MOST} that are worth most of {count(data.total)}.
        </p>
      )}
    </section>
  );
}
