import { App, Button } from 'antd';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { count, spelledDay } from '../../parts/words/figures';
import { useDraftsQuery, useRemoveDraftMutation } from '../../state/draftsApi';
import { useScope } from '../../state/useScope';
import { NewDraft } from './NewDraft';

/** All drafts of the market, and the form that begins one. */
export function DraftList() {
  const { project, scope, change } = useScope();
  const { data, error } = useDraftsQuery({ project, market: scope.market }, { skip: scope.market === '' });
  const [remove] = useRemoveDraftMutation();
  const { modal } = App.useApp();
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="the drafts" />;
  const open = data.filter(({ state }) => state === 'written').length;
  return (
    <>
      <header className="stage-head">
        <div>
          <h1>
            <b>{count(open)}</b> {open === 1 ? 'draft is' : 'drafts are'} being written
          </h1>
          <p className="soft">Of this market; what was touched last stands first.</p>
        </div>
      </header>
      <NewDraft />
      {data.length === 0 ? (
        <Empty title="Nothing is written yet">
          Open a piece of work in Rounds and press “Write a draft”, put keywords into the tray, or begin one
          above.
        </Empty>
      ) : (
        <table className="ledger" aria-label="Drafts">
          <thead>
            <tr>
              <th>Draft</th>
              <th>Kind</th>
              <th>Lead keyword</th>
              <th className="figure">Keywords</th>
              <th>Target</th>
              <th>State</th>
              <th>Touched</th>
              <th aria-label="What can be done" />
            </tr>
          </thead>
          <tbody>
            {data.map((draft) => (
              <tr key={draft.id}>
                <td>
                  <button className="plain" onClick={() => change({ draft: draft.id })}>
                    <b>{draft.name}</b>
                  </button>
                </td>
                <td>{draft.kind}</td>
                <td>{draft.lead}</td>
                <td className="figure">{count(draft.keywords)}</td>
                <td className="soft draft-address">{draft.address === '' ? 'planned' : draft.address}</td>
                <td>{draft.state}</td>
                <td className="soft">{spelledDay(draft.updatedAt.slice(0, 10))}</td>
                <td>
                  <Button
                    size="small"
                    type="text"
                    onClick={() =>
                      modal.confirm({
                        title: `Remove “${draft.name}”?`,
                        content: 'Its versions go with it; what was published from it stays on the timeline.',
                        okText: 'Remove',
                        onOk: () => remove({ project, id: draft.id }).unwrap(),
                      })
                    }
                  >
                    Remove…
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
