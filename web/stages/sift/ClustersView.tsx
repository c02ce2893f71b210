import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { ClusterPage } from '@opsimath/contract/api/sift';
import { useState } from 'react';
import '../../parts/lane/lane.css';
import type { PoolSides } from '../../parts/pool/poolSides';
import { usePoolSides } from '../../parts/pool/usePoolSides';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, counted } from '../../parts/words/figures';
import { useClustersQuery } from '../../state/siftApi';
import { useJudge } from '../../state/useJudge';
import type { UsedRecipe } from './useRecipe';
import { VERDICT_KEYS } from '../../parts/act/verdictKeys';

const NO_TARGETS: never[] = [];
const MOST = 100;
type Cluster = ClusterPage['clusters'][number];

/** Keywords that much the same targets answer, together: one page could serve them all. */
export function ClustersView({ lookUp, recipe }: { lookUp: LookUp; recipe: UsedRecipe }) {
  const { steps, rescued } = recipe;
  const { data, error } = useClustersQuery({ lookUp: lookUp.id, query: { steps, rescued, limit: MOST } });
  const sides = usePoolSides(data?.targets ?? NO_TARGETS, lookUp.surface);
  const [open, setOpen] = useState<number | null>(null);
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="the clusters" />;
  return (
    <section className="words-view" aria-label="Clusters">
      <p className="soft">
        {counted(data.total, 'cluster')} of {counted(data.keywords, 'keyword')}. Those of which a result page
        is held ({count(data.captured)}) are together when they share at least 4 of their first 10 targets;
        the others go by the stems of their words.
        {data.total > MOST && ` The ${MOST} most searched are shown.`}
      </p>
      <table className="ledger">
        <thead>
          <tr>
            <th>Cluster, by its most searched keyword</th>
            <th className="figure">Keywords</th>
            <th className="figure" title="Searches a month of all its keywords">
              Volume
            </th>
            <th className="figure" title="Our best position for any of its keywords">
              Ours
            </th>
            <th title="Best position of each other target for any of its keywords">Others</th>
          </tr>
        </thead>
        {data.clusters.map((cluster) => (
          <ClusterRows
            key={cluster.members[0]!.id}
            cluster={cluster}
            sides={sides}
            opened={open === cluster.members[0]!.id}
            onOpen={() => setOpen(open === cluster.members[0]!.id ? null : cluster.members[0]!.id)}
          />
        ))}
      </table>
    </section>
  );
}

interface ClusterRowsProps {
  cluster: Cluster;
  sides: PoolSides;
  opened: boolean;
  onOpen: () => void;
}

function ClusterRows({ cluster, sides, opened, onOpen }: ClusterRowsProps) {
  const judge = useJudge();
  const { members, best } = cluster;
  const ours = sides.own.flatMap((index) => best[index] ?? []);
  const judgeAll = (pressed: string): void => {
    const { verdict, parked, word } = VERDICT_KEYS[pressed]!;
    const changes = members.map(({ id }) => ({ keyword: id, verdict, parked }));
    judge(changes, `${members.length} of “${members[0]!.text}”: ${word}`);
  };
  return (
    <tbody>
      <tr>
        <td>
          <button className="plain" aria-expanded={opened} onClick={onOpen}>
            <b>{members[0]!.text}</b> <span className="faint">{opened ? '▾' : '▸'}</span>
          </button>
        </td>
        <td className="figure">{count(cluster.keywords)}</td>
        <td className="figure">{count(cluster.volume)}</td>
        <td className="figure">
          {ours.length > 0 ? Math.min(...ours) : <span className="faint">unknown</span>}
        </td>
        <td>
          {sides.others
            .filter(({ index }) => best[index] !== null)
            .map(({ index, letter, hue, name }) => (
              <span key={letter} className="best-of" title={name}>
                <span className={`letter hue-${hue % 4}`}>{letter}</span> {best[index]}
              </span>
            ))}
        </td>
      </tr>
      {opened && (
        <tr>
          <td colSpan={5} className="cluster-members">
            <p>
              Judge all {count(members.length)}:{' '}
              {['f', 'a', 'o', 'u'].map((pressed) => (
                <button key={pressed} className="plain written" onClick={() => judgeAll(pressed)}>
                  {VERDICT_KEYS[pressed]!.word}
                </button>
              ))}
              {cluster.keywords > members.length &&
                ` (the ${members.length} most searched of ${count(cluster.keywords)})`}
            </p>
            <ul>
              {members.map((member) => (
                <li key={member.id}>
                  {member.text}{' '}
                  <span className="faint">
                    {member.volume === null ? 'volume unknown' : count(member.volume)}
                    {member.best !== null && `, best ${member.best}`}
                    {member.verdict !== 'unjudged' && `, ${member.verdict}`}
                  </span>
                </li>
              ))}
            </ul>
          </td>
        </tr>
      )}
    </tbody>
  );
}
