import { Button, Input } from 'antd';
import { useState } from 'react';
import { newList } from '../../state/newList';
import { request } from '../../state/operations';
import { siftApi, useAddListMutation, useChangeListMutation, useListsQuery } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { useTrouble } from '../words/useTrouble';
import { count } from '../words/figures';
import { type ActedOn, nameOf, originOf } from './keywordsActedOn';
import { t } from '../../words/t';

/** Keywords into a list of this market, or into a new one; each is one step that can be taken back. */
export function ListSheet({ keywords, onDone }: { keywords: readonly ActedOn[]; onDone: () => void }) {
  const { project, scope } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const { data: lists } = useListsQuery(project);
  const [change] = useChangeListMutation();
  const [add, { isLoading }] = useAddListMutation();
  const [name, setName] = useState('');
  const undoable = useUndoable(project);
  const trouble = useTrouble();
  const ids = keywords.map(({ id }) => id);
  const here = (lists ?? []).filter(({ market }) => market === scope.market);
  const put = async (list: { id: number; name: string }, what: 'add' | 'remove'): Promise<void> => {
    const one = (way: 'add' | 'remove') => ({ project, list: list.id, change: { [way]: ids, person } });
    const { changeList } = siftApi.endpoints;
    const back = what === 'add' ? 'remove' : 'add';
    await change(one(what)).unwrap();
    undoable({
      what: `${nameOf(keywords)} ${what === 'add' ? t('parts:ListSheet.into') : t('parts:ListSheet.outOf')} “${list.name}”`,
      undo: request(changeList, one(back)),
      redo: request(changeList, one(what)),
    });
    onDone();
  };
  const make = async (): Promise<void> => {
    const made = await add({
      project,
      list: { name: name.trim(), market: scope.market, keywords: ids, origin: originOf(keywords), person },
    }).unwrap();
    undoable(newList(project, made, t('parts:ListSheet.theListNameMade', { name: name.trim() })));
    onDone();
  };
  return (
    <>
      <p className="soft">{nameOf(keywords)}</p>
      {here.map((list) => (
        <div key={list.id} className="act-line">
          <b title={list.name}>{list.name}</b>
          <span className="faint">{list.locked ? t('parts:ListSheet.locked') : count(list.keywords)}</span>
          <button
            className="plain written"
            disabled={list.locked}
            onClick={() => void put(list, 'add').catch(trouble)}
          >
            {t('parts:ListSheet.putIn')}
          </button>
          <button
            className="plain soft written"
            disabled={list.locked}
            onClick={() => void put(list, 'remove').catch(trouble)}
          >
            {t('parts:ListSheet.remove')}
          </button>
        </div>
      ))}
      <form
        className="act-line"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== '') void make().catch(trouble);
        }}
      >
        <Input
          size="small"
          aria-label={t('parts:ListSheet.nameOfANewList')}
          placeholder={t('parts:ListSheet.newList')}
          maxLength={200}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button size="small" htmlType="submit" loading={isLoading} disabled={name.trim() === ''}>
          {t('parts:ListSheet.makeIt')}
        </Button>
      </form>
    </>
  );
}
