import type { WatchView } from '@opsimath/contract/api/watch';
import { Select } from 'antd';
import { useListsQuery } from '../../state/siftApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** Which of the keywords that are followed are shown: of a list, or those that a target of ours holds. */
export function WatchGroup({ targets }: { targets: WatchView['targets'] }) {
  const { project, scope, change } = useScope();
  const { data: lists } = useListsQuery(project);
  const here = (lists ?? []).filter(({ market }) => market === scope.market);
  const known = targets.some(({ address }) => address === scope.answering);
  return (
    <>
      {here.length > 0 && (
        <Select
          size="small"
          aria-label={t('watch:WatchGroup.keywordsOfWhichList')}
          popupMatchSelectWidth={false}
          value={scope.inList ?? 0}
          options={[
            { value: 0, label: t('watch:WatchGroup.allLists') },
            ...here.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(list) => change({ inList: list === 0 ? null : list })}
        />
      )}
      {(targets.length > 0 || scope.answering !== '') && (
        <Select
          size="small"
          aria-label={t('watch:WatchGroup.keywordsOfWhichTarget')}
          showSearch
          popupMatchSelectWidth={false}
          style={{ maxWidth: 260 }}
          value={scope.answering}
          options={[
            { value: '', label: t('watch:WatchGroup.allOurTargets') },
            ...targets.map(({ address, keywords }) => ({
              value: address,
              label: `${address} (${keywords})`,
            })),
            ...(scope.answering !== '' && !known ? [{ value: scope.answering, label: scope.answering }] : []),
          ]}
          onChange={(answering: string) => change({ answering })}
        />
      )}
    </>
  );
}
