import type { KeywordList, ListCombination } from '@opsimath/contract/api/lists';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { useCombineListsMutation, useListsQuery } from '../../state/siftApi';
import { ListRow } from './ListRow';
import { OutsideTable } from './OutsideTable';
import { newList } from '../../state/newList';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';

const HOW: { value: ListCombination['how']; label: string }[] = [
  { value: 'union', label: 'in any of them' },
  { value: 'intersection', label: 'in all of them' },
  { value: 'difference', label: 'in the first and no other' },
];

/** The project's lists: what they hold, where it came from, who changed what; and new ones made of them. */
export function ListsView() {
  const { project } = useScope();
  const { data: lists, error } = useListsQuery(project);
  return (
    <section className="lists" aria-label="Lists">
      <h1>Lists</h1>
      <OutsideTable />
      {error && <Problem error={error} />}
      {lists?.length === 0 && (
        <p className="soft">
          None yet. Go back to the table and keep what came through, or only the fits, as a list.
        </p>
      )}
      {lists && lists.length > 1 && <Combine lists={lists} />}
      {lists && lists.length > 0 && (
        <table className="ledger">
          <thead>
            <tr>
              <th>List</th>
              <th>Market</th>
              <th className="figure">Keywords</th>
              <th className="figure">Volume</th>
              <th title="Fit keywords against the number wanted, their searches a month, and what is still unjudged">
                Fit of those wanted
              </th>
              <th>Came from</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {lists.map((list) => (
              <ListRow key={list.id} list={list} />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Combine({ lists }: { lists: readonly KeywordList[] }) {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [combine, { isLoading, error }] = useCombineListsMutation();
  const [chosen, setChosen] = useState<number[]>([]);
  const [how, setHow] = useState<ListCombination['how']>('intersection');
  const [name, setName] = useState('');
  const undoable = useUndoable(project);
  const make = async (): Promise<void> => {
    const made = await combine({ project, combination: { name, lists: chosen, how, person } }).unwrap();
    undoable(newList(project, made, `the list “${name}” combined`));
    setName('');
    setChosen([]);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void make().catch(() => undefined);
      }}
    >
      <span className="soft">Keywords</span>
      <Select aria-label="How" value={how} options={HOW} onChange={setHow} popupMatchSelectWidth={false} />
      <Select
        mode="multiple"
        aria-label="Lists to combine"
        placeholder="lists"
        style={{ minWidth: 240 }}
        value={chosen}
        options={lists.map((list) => ({ value: list.id, label: list.name }))}
        onChange={setChosen}
      />
      <Input
        aria-label="Name of the new list"
        placeholder="Name of the new list"
        style={{ width: 200 }}
        maxLength={200}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button
        htmlType="submit"
        type="primary"
        loading={isLoading}
        disabled={chosen.length < 2 || name.trim() === ''}
      >
        Combine
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
