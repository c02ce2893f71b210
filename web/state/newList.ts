import type { KeywordList } from '@opsimath/contract/api/lists';
import { request } from './operations';
import { siftApi } from './siftApi';
import type { Done } from './undo';

/** A list that was just made, the newest of all, as a step that can be taken back. */
export function newList(project: number, lists: readonly KeywordList[], what: string): Done {
  const list = Math.max(...lists.map(({ id }) => id));
  return {
    what,
    undo: request(siftApi.endpoints.removeList, { project, list }),
    redo: request(siftApi.endpoints.bringListBack, { project, list }),
  };
}
