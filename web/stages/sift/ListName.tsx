import type { KeywordList } from '@opsimath/contract/api/lists';
import { Input } from 'antd';
import { useState } from 'react';
import { useTrouble } from '../../parts/words/useTrouble';
import { request } from '../../state/operations';
import { siftApi, useChangeListMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** The name of a list, which opens it, and naming it anew. */
export function ListName({ list, onOpen }: { list: KeywordList; onOpen: () => void }) {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [change] = useChangeListMutation();
  const [naming, setNaming] = useState(false);
  const undoable = useUndoable(project);
  const trouble = useTrouble();
  const rename = (typed: string): void => {
    const name = typed.trim();
    setNaming(false);
    if (name === '' || name === list.name) return;
    const one = (to: string) => ({ project, list: list.id, change: { name: to, person } });
    const { changeList } = siftApi.endpoints;
    void change(one(name))
      .unwrap()
      .then(() =>
        undoable({
          what: t('sift:ListName.theListNamedName', { name }),
          undo: request(changeList, one(list.name)),
          redo: request(changeList, one(name)),
        }),
      )
      .catch(trouble);
  };
  if (naming)
    return (
      <Input
        autoFocus
        size="small"
        aria-label={t('sift:ListName.nameOfTheListName', { name: list.name })}
        maxLength={200}
        defaultValue={list.name}
        onPressEnter={({ currentTarget }) => rename(currentTarget.value)}
        onBlur={({ target }) => rename(target.value)}
        onKeyDown={(event) => event.key === 'Escape' && setNaming(false)}
      />
    );
  return (
    <>
      <button className="plain" title={t('sift:ListName.showItsKeywordsInTheTable')} onClick={onOpen}>
        <b>{list.name}</b>
      </button>{' '}
      {!list.locked && (
        <button
          className="plain soft written"
          aria-label={t('sift:ListName.nameTheListNameAnew', { name: list.name })}
          onClick={() => setNaming(true)}
        >
          {t('sift:ListName.nameIt')}
        </button>
      )}
    </>
  );
}
