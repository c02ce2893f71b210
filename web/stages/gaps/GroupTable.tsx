import type { GapGroupQuery, GapGroups } from '@opsimath/contract/api/gaps';
import { Spin } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { count, decimal, worth } from '../../parts/words/figures';
import { useGapGroupsQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';

const MOST = 200;
const HEADS = {
  cluster: 'Cluster, by its best keyword',
  target: 'Our target that ranks',
  action: 'What to do',
};

/** What passes the filter in groups; pressing one shows its keywords. */
export function GroupTable({ project, query }: { project: number; query: GapGroupQuery }) {
  const { change } = useScope();
  const { data, error } = useGapGroupsQuery({ project, query: { ...query, limit: MOST } });
  if (error) return <Problem error={error} />;
  if (!data) return <Spin style={{ marginTop: 16 }} />;
  const open = ({ narrowed }: GapGroups['groups'][number]): void =>
    change({
      by: '',
      cluster: narrowed.cluster ?? null,
      answering: narrowed.target ?? '',
      ...(narrowed.actions && { actions: narrowed.actions }),
    });
  return (
    <section className="gap-groups" aria-label="Groups">
      <table className="ledger">
        <thead>
          <tr>
            <th>{HEADS[query.by]}</th>
            <th className="figure">Keywords</th>
            <th className="figure" title="Searches a month of all of them">
              Volume
            </th>
            <th className="figure" title="Expected worth a month if all were won; estimated">
              A month
            </th>
            <th className="figure" title="Days of work, were each keyword worked on by itself">
              Days
            </th>
            {query.by !== 'cluster' && <th>Best of them</th>}
          </tr>
        </thead>
        <tbody>
          {data.groups.map((group) => (
            <tr key={`${group.name}:${group.best.id}`}>
              <td>
                {query.by === 'target' && group.name === '' ? (
                  <span className="soft">none of ours ranks</span>
                ) : (
                  <button className="plain" onClick={() => open(group)}>
                    <b>{group.name}</b>
                  </button>
                )}
              </td>
              <td className="figure">{count(group.keywords)}</td>
              <td className="figure">{count(group.volume)}</td>
              <td className="figure">{worth(group.worthAMonth)}</td>
              <td className="figure">{decimal(group.days, 1)}</td>
              {query.by !== 'cluster' && <td>{group.best.text}</td>}
            </tr>
          ))}
        </tbody>
      </table>
      {data.total > MOST && (
        <p className="soft">
          The {MOST} that are worth most of {count(data.total)}.
        </p>
      )}
    </section>
  );
}
