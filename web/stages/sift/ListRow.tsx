import type { KeywordList } from '@opsimath/contract/api/lists';
import { InputNumber, Popover } from 'antd';
import { useState } from 'react';
import { copyAsTable } from '../../parts/table/copyAsTable';
import { Problem } from '../../parts/words/Problem';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useMessages } from '../../state/messages';
import { request } from '../../state/operations';
import {
  siftApi,
  useAddRecipeMutation,
  useChangeListMutation,
  useRecipesQuery,
  useRemoveListMutation,
} from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { ListName } from './ListName';
import { RenewList } from './RenewList';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

/** One list: what it holds, how far it is judged, where it came from, who changed what, and what can be done with it. */
export function ListRow({ list }: { list: KeywordList }) {
  const { project, change: changeScope } = useScope();
  const message = useMessages();
  const person = useAppSelector((state) => state.preferences.person);
  const [change] = useChangeListMutation();
  const [remove, { error }] = useRemoveListMutation();
  const undoable = useUndoable(project);
  const [renewing, setRenewing] = useState(false);
  const takeAway = async (): Promise<void> => {
    await remove({ project, list: list.id }).unwrap();
    undoable({
      what: t('sift:ListRow.theListNameDeleted', { name: list.name }),
      undo: request(siftApi.endpoints.bringListBack, { project, list: list.id }),
      redo: request(siftApi.endpoints.removeList, { project, list: list.id }),
    });
  };
  const { data: recipes } = useRecipesQuery(project);
  const [addRecipe] = useAddRecipeMutation();

  /** A recipe that lets through this list alone: what it shows has an address of its own. */
  const recipeOf = async (): Promise<number> => {
    const known = recipes?.find(
      ({ steps }) =>
        steps.length === 1 &&
        steps[0]!.on &&
        steps[0]!.sieve.kind === 'list' &&
        steps[0]!.sieve.list === list.id,
    );
    if (known) return known.id;
    const sieve = { kind: 'list' as const, list: list.id, out: false };
    const entry = {
      name: t('sift:ListRow.listName', { name: list.name }).slice(0, 200),
      steps: [{ id: 'list', on: true, sieve }],
    };
    return (await addRecipe({ project, entry }).unwrap()).id;
  };
  const open = async (): Promise<void> =>
    changeScope({ recipe: await recipeOf(), market: list.market, lookUp: list.lookUp, view: '' });
  const copyLink = async (): Promise<void> => {
    const params = new URLSearchParams({ market: list.market, recipe: String(await recipeOf()) });
    if (list.lookUp !== null) params.set('lookUp', String(list.lookUp));
    await navigator.clipboard.writeText(`${location.origin}/p/${project}/sift?${params}`);
    void message.info(t('sift:ListRow.theLinkToThisListIs'));
  };
  const copy = async (): Promise<void> => {
    const answer = await fetch(`/api/projects/${project}/lists/${list.id}/file?format=json`);
    if (!answer.ok) return void message.error(t('sift:ListRow.theListCouldNotBeRead'));
    const { rows } = (await answer.json()) as { rows: Record<string, string | number | null>[] };
    const heads = Object.keys(rows[0] ?? { keyword: '' });
    await copyAsTable([heads, ...rows.map((row) => heads.map((head) => String(row[head] ?? '')))]);
    void message.info(
      t('sift:ListRow.keywordsOnTheClipboardAsA', { keywords: counted(rows.length, 'keyword') }),
    );
  };
  return (
    <tr>
      <td>
        <ListName list={list} onOpen={() => void open()} />
        <details className="faint">
          <summary>{t('sift:ListRow.history')}</summary>
          {list.history.map((entry, n) => (
            <div key={n}>
              {spelledDay(entry.at.slice(0, 10))}
              {entry.person && `, ${entry.person}`}
              {': '}
              {entry.what}
            </div>
          ))}
        </details>
      </td>
      <td>{list.market}</td>
      <td className="figure">{count(list.keywords)}</td>
      <td className="figure">{count(list.volume)}</td>
      <td>
        <Told id="sift:ListRow.fitOf" values={{ fit: count(list.judged.fit) }} parts={{ b: <b /> }} />{' '}
        <ListGoal list={list} />{' '}
        <span className="soft">
          {t('sift:ListRow.fitVolumeSearchesUnjudgedUnjudged', {
            fitVolume: count(list.fitVolume),
            unjudged: count(list.judged.unjudged),
          })}
          {list.judged.parked > 0 && t('sift:ListRow.parkedParked', { parked: count(list.judged.parked) })}
        </span>
      </td>
      <td className="soft">{list.origin || t('sift:ListRow.putTogetherByHand')}</td>
      <td className="figure list-acts">
        <span className="list-files">
          {['csv', 'xlsx', 'json'].map((format) => (
            <a key={format} href={`/api/projects/${project}/lists/${list.id}/file?format=${format}`} download>
              {format.toUpperCase()}
            </a>
          ))}
        </span>
        <button
          className="plain written"
          title={t('sift:ListRow.asATableWithAllColumns')}
          onClick={() => void copy()}
        >
          {t('sift:ListRow.copy')}
        </button>
        <button className="plain written" onClick={() => void copyLink()}>
          {t('sift:ListRow.copyLink')}
        </button>
        {list.renewable && !list.locked && (
          <Popover
            trigger="click"
            placement="bottomRight"
            destroyOnHidden
            open={renewing}
            onOpenChange={setRenewing}
            content={<RenewList list={list} onDone={() => setRenewing(false)} />}
          >
            <button className="plain written">{t('sift:ListRow.makeAgain')}</button>
          </Popover>
        )}
        <button
          className="plain written"
          onClick={() =>
            void change({
              project,
              list: list.id,
              change: { locked: !list.locked, person, revision: list.revision },
            })
          }
        >
          {list.locked ? t('sift:ListRow.unlock') : t('sift:ListRow.lock')}
        </button>
        {!list.locked && (
          <button className="plain soft written" onClick={() => void takeAway().catch(() => undefined)}>
            {t('sift:ListRow.deleteList')}
          </button>
        )}
        {error && <Problem error={error} />}
      </td>
    </tr>
  );
}

/** How many fit keywords it is to have. */
function ListGoal({ list }: { list: KeywordList }) {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [change] = useChangeListMutation();
  return (
    <InputNumber
      key={list.goal}
      size="small"
      aria-label={t('sift:ListRow.fitKeywordsWantedInName', { name: list.name })}
      placeholder={t('sift:ListRow.any')}
      min={1}
      max={100_000}
      precision={0}
      disabled={list.locked}
      style={{ width: 62 }}
      defaultValue={list.goal ?? undefined}
      onBlur={({ target }) => {
        const goal = target.value.trim() === '' ? null : Math.round(Number(target.value));
        if (goal !== list.goal && (goal === null || goal >= 1))
          void change({
            project,
            list: list.id,
            change: { goal, person, revision: list.revision },
          });
      }}
    />
  );
}
