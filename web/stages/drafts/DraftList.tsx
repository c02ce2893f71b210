import { Button, Modal } from 'antd';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { count, spelledDay } from '../../parts/words/figures';
import { useDraftsQuery, useRemoveDraftMutation } from '../../state/draftsApi';
import { useScope } from '../../state/useScope';
import { NewDraft } from './NewDraft';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

/** All drafts of the market, and the form that begins one. */
export function DraftList() {
  const { project, scope, change } = useScope();
  const { data, error } = useDraftsQuery({ project, market: scope.market }, { skip: scope.market === '' });
  const [remove] = useRemoveDraftMutation();
  const [modal, asking] = Modal.useModal();
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('drafts:DraftList.theDrafts')} />;
  const open = data.filter(({ state }) => state === 'written').length;
  return (
    <>
      {asking}
      <header className="stage-head">
        <div>
          <h1>
            <Told
              id="drafts:DraftList.openWhichBeingWritten"
              values={{
                open: count(open),
                which: open === 1 ? t('drafts:DraftList.draftIs') : t('drafts:DraftList.draftsAre'),
              }}
              parts={{ b: <b /> }}
            />
          </h1>
          <p className="soft">{t('drafts:DraftList.ofThisMarketWhatWasTouched')}</p>
        </div>
      </header>
      <NewDraft />
      {data.length === 0 ? (
        <Empty title={t('drafts:DraftList.nothingIsWrittenYet')}>
          {t('drafts:DraftList.openAPieceOfWorkIn')}
        </Empty>
      ) : (
        <table className="ledger" aria-label={t('drafts:DraftList.drafts')}>
          <thead>
            <tr>
              <th>{t('drafts:DraftList.draft')}</th>
              <th>{t('drafts:DraftList.kind')}</th>
              <th>{t('drafts:DraftList.leadKeyword')}</th>
              <th className="figure">{t('drafts:DraftList.keywords')}</th>
              <th>{t('drafts:DraftList.target')}</th>
              <th>{t('drafts:DraftList.state')}</th>
              <th>{t('drafts:DraftList.touched')}</th>
              <th aria-label={t('drafts:DraftList.whatCanBeDone')} />
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
                <td>{wordOf(draft.kind)}</td>
                <td>{draft.lead}</td>
                <td className="figure">{count(draft.keywords)}</td>
                <td className="soft draft-address">
                  {draft.address === '' ? t('drafts:DraftList.planned') : draft.address}
                </td>
                <td>{wordOf(draft.state)}</td>
                <td className="soft">{spelledDay(draft.updatedAt.slice(0, 10))}</td>
                <td>
                  <Button
                    size="small"
                    type="text"
                    onClick={() =>
                      modal.confirm({
                        title: t('drafts:DraftList.removeName', { name: draft.name }),
                        content: t('drafts:DraftList.itsVersionsGoWithItWhat'),
                        okText: t('drafts:DraftList.remove'),
                        onOk: () => remove({ project, id: draft.id }).unwrap(),
                      })
                    }
                  >
                    {t('drafts:DraftList.remove2')}
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
