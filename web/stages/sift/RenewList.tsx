import type { KeywordList } from '@opsimath/contract/api/lists';
import { Button } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count } from '../../parts/words/figures';
import { request } from '../../state/operations';
import { siftApi } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { useRenewListMutation, useRenewalQuery } from '../../state/variantsApi';
import { t } from '../../words/t';

const NAMED = 8;

/** What making a list again of its look-up and recipe would change; then it is done, which closes it, and can be taken back. */
export function RenewList({ list, onDone }: { list: KeywordList; onDone: () => void }) {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const { data, error } = useRenewalQuery({ project, list: list.id }, { refetchOnMountOrArgChange: true });
  const [renew, { isLoading, error: failed }] = useRenewListMutation();
  const undoable = useUndoable(project);
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('sift:RenewList.whatWouldChange')} />;
  if (data.added === 0 && data.gone === 0)
    return <p className="soft">{t('sift:RenewList.itsLookUpAndRecipeGive')}</p>;
  const known = data.added === data.comes.length && data.gone === data.goes.length;
  const apply = async (): Promise<void> => {
    await renew({ project, list: list.id, person }).unwrap();
    onDone();
    if (!known) return;
    const [comes, goes] = [data.comes.map(({ id }) => id), data.goes.map(({ id }) => id)];
    const asked = (add: number[], remove: number[]) =>
      request(siftApi.endpoints.changeList, { project, list: list.id, change: { add, remove, person } });
    undoable({
      what: t('sift:RenewList.makeNameAgain', { name: list.name }),
      undo: asked(goes, comes),
      redo: asked(comes, goes),
    });
  };
  return (
    <div className="renew">
      <Named word={t('sift:RenewList.comeIn')} total={data.added} some={data.comes} />
      <Named word={t('sift:RenewList.goOut')} total={data.gone} some={data.goes} />
      <Button
        size="small"
        type="primary"
        loading={isLoading}
        onClick={() => void apply().catch(() => undefined)}
      >
        {t('sift:RenewList.makeItAgain')}
      </Button>
      {failed && <Problem error={failed} />}
    </div>
  );
}

function Named({ word, total, some }: { word: string; total: number; some: { id: number; text: string }[] }) {
  if (total === 0) return null;
  return (
    <p>
      <b>
        {count(total)} {word}:
      </b>{' '}
      {some
        .slice(0, NAMED)
        .map(({ text }) => text)
        .join(', ')}
      {total > NAMED && ` ${t('sift:RenewList.andTotalMore', { total: count(total - NAMED) })}`}
    </p>
  );
}
