import { StageParts } from '../../parts/words/StageParts';
import { partOf } from '../../state/stageParts';
import { useScope } from '../../state/useScope';
import { DraftList } from './DraftList';
import { DraftPage } from './DraftPage';
import { OwnTitles } from './OwnTitles';
import { PublishedList } from './PublishedList';
import './drafts.css';
import { t } from '../../words/t';

/** Writing the copy: against limits, missing words and the front. */
export default function Drafts() {
  const { scope } = useScope();
  if (scope.draft !== null) return <DraftPage key={scope.draft} id={scope.draft} />;
  const view = partOf('drafts', scope.view);
  return (
    <div className="drafts">
      <div className="stage-top">
        <StageParts stage="drafts" name={t('drafts:Drafts.drafts')} />
      </div>
      {view === 'published' ? <PublishedList /> : view === 'titles' ? <OwnTitles /> : <DraftList />}
    </div>
  );
}
