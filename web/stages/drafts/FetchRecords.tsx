import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import type { Draft } from '@opsimath/contract/api/drafts';
import { Button } from 'antd';
import { useTrouble } from '../../parts/words/useTrouble';
import { useFetchRecordsMutation } from '../../state/studyApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** Fetches what is not held yet of the public records of the lead’s front; they cost nothing. */
export function FetchRecords({ draft, material }: { draft: Draft; material: DraftMaterial }) {
  const { project, scope } = useScope();
  const [fetchRecords, { isLoading }] = useFetchRecordsMutation();
  const trouble = useTrouble();
  const lead = draft.keywords[0];
  const open = material.front - material.recorded;
  if (lead === undefined || open <= 0) return null;
  return (
    <Button
      size="small"
      loading={isLoading}
      title={t('drafts:FetchRecords.headingsAndTagsComeWithThe')}
      onClick={() =>
        void fetchRecords({ project, keyword: lead.id, market: draft.market, date: scope.date })
          .unwrap()
          .catch(trouble)
      }
    >
      {t('drafts:FetchRecords.fetchOpenPublicRecords', { open })}
    </Button>
  );
}
