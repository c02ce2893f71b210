import type { SiftRow } from '@opsimath/contract/api/sift';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { useKeys } from '../../parts/keys/useKeys';
import { request } from '../../state/operations';
import { siftApi, useChangeListMutation, useListsQuery } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';

/** Keeps a side topic: one key puts the keyword into another list, whatever its verdict here. */
export function PutAside({ market, keyword }: { market: string; keyword: SiftRow }) {
  const { project } = useScope();
  const place = `opsimath.put-aside.${project}.${market}`;
  const person = useAppSelector((state) => state.preferences.person);
  const { data: lists } = useListsQuery(project);
  const [change] = useChangeListMutation();
  const undoable = useUndoable(project);
  const [chosen, setChosen] = useState(() => Number(localStorage.getItem(place)) || null);
  const [kept, setKept] = useState<string | null>(null);
  const open = (lists ?? []).filter((list) => list.market === market && !list.locked);
  const list = open.find(({ id }) => id === chosen);
  const putAside = (): void => {
    if (!list) return;
    const one = (what: 'add' | 'remove') => ({
      project,
      list: list.id,
      change: { [what]: [keyword.id], person },
    });
    const { changeList } = siftApi.endpoints;
    change(one('add'))
      .unwrap()
      .then(() => {
        setKept(keyword.text);
        undoable({
          what: `${keyword.text} into “${list.name}”`,
          undo: request(changeList, one('remove')),
          redo: request(changeList, one('add')),
        });
      })
      .catch(() => undefined);
  };
  useKeys('e', putAside, [list?.id, keyword.id]);
  if (open.length === 0) return null;
  return (
    <p className="put-aside soft">
      <Select
        size="small"
        allowClear
        aria-label="List for side topics"
        placeholder="a list for side topics"
        style={{ width: 220 }}
        value={list?.id}
        options={open.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id?: number) => {
          setChosen(id ?? null);
          localStorage.setItem(place, String(id ?? ''));
        }}
      />{' '}
      <Button size="small" disabled={!list} onClick={putAside}>
        put aside <kbd>e</kbd>
      </Button>{' '}
      {kept !== null && <span role="status">“{kept}” is in it.</span>}
    </p>
  );
}
