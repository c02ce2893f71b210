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
import { t, wordOf } from '../../words/t';

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
  if (!data) return <Waiting for={t('sift:ClustersView.theClusters')} />;
  return (
    <section className="words-view" aria-label={t('sift:ClustersView.clusters')}>
      <p className="soft">
        {t('sift:ClustersView.clustersOfKeywordsThoseOfWhich', {
          clusters: counted(data.total, 'cluster'),
          keywords: counted(data.keywords, 'keyword'),
          captured: count(data.captured),
        })}
        {data.total > MOST && ` ${t('sift:ClustersView.theMOSTMostSearchedAreShown', { MOST })}`}
      </p>
      <table className="ledger">
        <thead>
          <tr>
            <th>{t('sift:ClustersView.clusterByItsMostSearchedKeyword')}</th>
            <th className="figure">{t('sift:ClustersView.keywords')}</th>
            <th className="figure" title={t('sift:ClustersView.searchesAMonthOfAllIts')}>
              {t('sift:ClustersView.volume')}
            </th>
            <th className="figure" title={t('sift:ClustersView.ourBestPositionForAnyOf')}>
              {t('sift:ClustersView.ours')}
            </th>
            <th title={t('sift:ClustersView.bestPositionOfEachOtherTarget')}>
              {t('sift:ClustersView.others')}
            </th>
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
    judge(
      changes,
      t('sift:ClustersView.membersOfTextWord', { members: members.length, text: members[0]!.text, word }),
    );
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
          {ours.length > 0 ? (
            Math.min(...ours)
          ) : (
            <span className="faint">{t('sift:ClustersView.unknown')}</span>
          )}
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
              {t('sift:ClustersView.judgeAllMembers', { members: count(members.length) })}{' '}
              {['f', 'a', 'o', 'u'].map((pressed) => (
                <button key={pressed} className="plain written" onClick={() => judgeAll(pressed)}>
                  {VERDICT_KEYS[pressed]!.word}
                </button>
              ))}
              {cluster.keywords > members.length &&
                ` ${t('sift:ClustersView.theMembersMostSearchedOfKeywords', { members: members.length, keywords: count(cluster.keywords) })}`}
            </p>
            <ul>
              {members.map((member) => (
                <li key={member.id}>
                  {member.text}{' '}
                  <span className="faint">
                    {member.volume === null ? t('sift:ClustersView.volumeUnknown') : count(member.volume)}
                    {member.best !== null && t('sift:ClustersView.bestBest', { best: member.best })}
                    {member.verdict !== 'unjudged' && `, ${wordOf(member.verdict)}`}
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
