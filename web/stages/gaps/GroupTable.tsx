import type { GapGroupQuery, GapGroups } from '@opsimath/contract/api/gaps';
import { Ledger } from '../../parts/table/Ledger';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, decimal, worth } from '../../parts/words/figures';
import { useGapGroupsQuery } from '../../state/gapsApi';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';
import { t, wordOf } from '../../words/t';

const MOST = 200;
const HEADS = {
  cluster: t('gaps:GroupTable.clusterByItsBestKeyword'),
  target: t('gaps:GroupTable.ourTargetThatRanks'),
  action: t('gaps:GroupTable.whatToDo'),
  'page kind': t('gaps:GroupTable.kindOfOurPageThatRanks'),
};

/** What passes the filter in groups; pressing one shows its keywords. */
export function GroupTable({ project, query }: { project: number; query: GapGroupQuery }) {
  const { change } = useScope();
  const currency = useSettings()?.currency ?? '';
  const { data, error } = useGapGroupsQuery({ project, query: { ...query, limit: MOST } });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('gaps:GroupTable.theGroups')} />;
  const open = ({ narrowed }: GapGroups['groups'][number]): void =>
    change({
      by: '',
      cluster: narrowed.cluster ?? null,
      answering: narrowed.target ?? '',
      ...(narrowed.actions && { actions: narrowed.actions }),
      ...(narrowed.pageKinds && { pageKinds: narrowed.pageKinds }),
    });
  return (
    <section className="gap-groups" aria-label={t('gaps:GroupTable.groups')}>
      <Ledger
        take={t('gaps:GroupTable.gapsByBy', { by: wordOf(query.by) })}
        rows={data.groups}
        keyOf={(group) => `${group.name}:${group.best.id}`}
        columns={[
          {
            head: HEADS[query.by],
            cell: (group) =>
              group.name === '' ? (
                <span className="soft">{t('gaps:GroupTable.noneOfOursRanks')}</span>
              ) : (
                <button className="plain" onClick={() => open(group)}>
                  <b>{group.name}</b>
                </button>
              ),
          },
          { head: t('gaps:GroupTable.keywords'), figure: true, cell: ({ keywords }) => count(keywords) },
          {
            head: t('gaps:GroupTable.volume'),
            tip: t('gaps:GroupTable.searchesAMonthOfAllOf'),
            figure: true,
            cell: ({ volume }) => count(volume),
          },
          {
            head: t('gaps:GroupTable.adds', { currency }),
            tip: t('gaps:GroupTable.whatTheBestActionsAddA'),
            figure: true,
            cell: ({ worthAMonth }) => worth(worthAMonth),
          },
          {
            head: t('gaps:GroupTable.days'),
            tip: t('gaps:GroupTable.daysOfWorkWereEachKeyword'),
            figure: true,
            cell: ({ days }) => decimal(days, 1),
          },
          query.by !== 'cluster' && { head: t('gaps:GroupTable.bestOfThem'), cell: ({ best }) => best.text },
        ]}
      />
      {data.total > MOST && (
        <p className="soft">
          {t('gaps:GroupTable.theMOSTThatAreWorthMost', { MOST, total: count(data.total) })}
        </p>
      )}
    </section>
  );
}
