import type { Task } from '@opsimath/contract/api/rounds';
import { KINDS_OF } from '@opsimath/core/copy/draftFields';
import { type Action, NEW_TARGET, isPaidAction } from '@opsimath/core/gap/action';
import { Button } from 'antd';
import { useLocation, useNavigate } from 'react-router';
import { useTrouble } from '../../parts/words/useTrouble';
import { useAddDraftMutation } from '../../state/draftsApi';
import { writeScope } from '../../state/scope';
import { surfaceOf } from '../../state/surfaceOf';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** What is done to a target with another title: the draft begins with it. */
const TITLED: ReadonlySet<Action> = new Set(['retitle', ...Object.values(NEW_TARGET)]);

/** Begins a draft for this piece of work, or opens the one that was begun. */
export function WriteDraft({ task }: { task: Task }) {
  const { project, scope } = useScope();
  const navigate = useNavigate();
  const { search } = useLocation();
  const trouble = useTrouble();
  const [add, { isLoading }] = useAddDraftMutation();
  const open = (draft: number): void =>
    void navigate({
      pathname: `/p/${project}/drafts`,
      search: writeScope(new URLSearchParams(search), { draft, task: null, view: '' }).toString(),
    });
  const begin = async (): Promise<void> => {
    try {
      const { id } = await add({
        project,
        draft: {
          market: task.market,
          date: scope.date,
          kind: KINDS_OF[surfaceOf(task.market)][0],
          name: task.lead.text,
          address: task.address,
          task: task.id,
          keywords: task.keywords.filter(({ clicks }) => clicks > 0).map(({ id: keyword }) => keyword),
          title: TITLED.has(task.action) ? task.title : '',
        },
      }).unwrap();
      open(id);
    } catch (error) {
      trouble(error);
    }
  };
  if (isPaidAction(task.action)) return null;
  return (
    <p>
      {task.draft === null ? (
        <Button size="small" type="primary" loading={isLoading} onClick={() => void begin()}>
          {t('rounds:WriteDraft.writeADraft')}
        </Button>
      ) : (
        <Button size="small" onClick={() => open(task.draft!)}>
          {t('rounds:WriteDraft.openItsDraft')}
        </Button>
      )}
    </p>
  );
}
