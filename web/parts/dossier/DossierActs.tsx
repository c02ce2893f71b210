import type { Dossier } from '@opsimath/contract/api/dossier';
import { KINDS_OF } from '@opsimath/core/copy/draftFields';
import { useMemo } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { draftsApi, useAddDraftMutation } from '../../state/draftsApi';
import { request } from '../../state/operations';
import { writeScope } from '../../state/scope';
import { surfaceOf } from '../../state/surfaceOf';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { KeywordActs } from '../act/KeywordActs';
import { useTrouble } from '../words/useTrouble';
import { t } from '../../words/t';

/** What can be done to the keyword of a dossier, right where it is read. */
export function DossierActs({ project, data: { row } }: { project: number; data: Dossier }) {
  const { scope } = useScope();
  const { search } = useLocation();
  const navigate = useNavigate();
  const [add] = useAddDraftMutation();
  const undoable = useUndoable(project);
  const trouble = useTrouble();
  const keywords = useMemo(() => [{ id: row.id, text: row.text }], [row.id, row.text]);
  /** Of the page of ours that ranks, or of a planned one. */
  const begin = async (): Promise<void> => {
    const draft = {
      market: scope.market,
      date: scope.date,
      kind: KINDS_OF[surfaceOf(scope.market)][0],
      name: row.text,
      address: row.ownAddress ?? '',
      keywords: [row.id],
    };
    const { id } = await add({ project, draft }).unwrap();
    undoable({
      what: t('parts:DossierActs.aDraftForText', { text: row.text }),
      undo: request(draftsApi.endpoints.removeDrafts, { project, ids: [id] }),
      redo: request(draftsApi.endpoints.addDraft, { project, draft }),
    });
    void navigate(
      `/p/${project}/drafts?${writeScope(new URLSearchParams(search), { view: '', draft: id }).toString()}`,
    );
  };
  return (
    <div
      className="acts dossier-acts no-print"
      role="group"
      aria-label={t('parts:DossierActs.doWithThisKeyword')}
    >
      <KeywordActs keywords={keywords} tracked={row.tracked} />
      <button
        className="plain written"
        title={t('parts:DossierActs.aDraftThatIsToServe')}
        onClick={() => void begin().catch(trouble)}
      >
        {t('parts:DossierActs.draft')}
      </button>
    </div>
  );
}
