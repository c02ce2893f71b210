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
import { t } from '../../words/t';

const HOW: { value: ListCombination['how']; label: string }[] = [
  { value: 'union', label: t('sift:ListsView.inAnyOfThem') },
  { value: 'intersection', label: t('sift:ListsView.inAllOfThem') },
  { value: 'difference', label: t('sift:ListsView.inTheFirstAndNoOther') },
];

/** The project's lists: what they hold, where it came from, who changed what; and new ones made of them. */
export function ListsView() {
  const { project } = useScope();
  const { data: lists, error } = useListsQuery(project);
  return (
    <section className="lists" aria-label={t('sift:ListsView.lists')}>
      <h1>{t('sift:ListsView.lists')}</h1>
      <OutsideTable />
      {error && <Problem error={error} />}
      {lists?.length === 0 && <p className="soft">{t('sift:ListsView.noneYetGoBackToThe')}</p>}
      {lists && lists.length > 1 && <Combine lists={lists} />}
      {lists && lists.length > 0 && (
        <table className="ledger">
          <thead>
            <tr>
              <th>{t('sift:ListsView.list')}</th>
              <th>{t('sift:ListsView.market')}</th>
              <th className="figure">{t('sift:ListsView.keywords')}</th>
              <th className="figure">{t('sift:ListsView.volume')}</th>
              <th title={t('sift:ListsView.fitKeywordsAgainstTheNumberWanted')}>
                {t('sift:ListsView.fitOfThoseWanted')}
              </th>
              <th>{t('sift:ListsView.cameFrom')}</th>
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
    undoable(newList(project, made, t('sift:ListsView.theListNameCombined', { name })));
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
      <span className="soft">{t('sift:ListsView.keywords')}</span>
      <Select
        aria-label={t('sift:ListsView.how')}
        value={how}
        options={HOW}
        onChange={setHow}
        popupMatchSelectWidth={false}
      />
      <Select
        mode="multiple"
        aria-label={t('sift:ListsView.listsToCombine')}
        placeholder={t('sift:ListsView.lists2')}
        style={{ minWidth: 240 }}
        value={chosen}
        options={lists.map((list) => ({ value: list.id, label: list.name }))}
        onChange={setChosen}
      />
      <Input
        aria-label={t('sift:ListsView.nameOfTheNewList')}
        placeholder={t('sift:ListsView.nameOfTheNewList')}
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
        {t('sift:ListsView.combine')}
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
