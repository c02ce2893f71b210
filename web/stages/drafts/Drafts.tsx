import { Segmented } from 'antd';
import { useScope } from '../../state/useScope';
import { DraftList } from './DraftList';
import { DraftPage } from './DraftPage';
import { OwnTitles } from './OwnTitles';
import { PublishedList } from './PublishedList';
import './drafts.css';

const VIEWS = [
  { value: 'list', label: 'Drafts' },
  { value: 'titles', label: 'Own titles' },
  { value: 'published', label: 'Published' },
] as const;

/** Writing the copy: against limits, missing words and the front. */
export default function Drafts() {
  const { scope, change } = useScope();
  if (scope.draft !== null) return <DraftPage key={scope.draft} id={scope.draft} />;
  const view = VIEWS.find(({ value }) => value === scope.view)?.value ?? 'list';
  return (
    <div className="drafts">
      <div className="stage-top">
        <Segmented
          size="small"
          aria-label="Part of Drafts"
          value={view}
          options={VIEWS.map(({ value, label }) => ({ value, label }))}
          onChange={(next) => change({ view: next === 'list' ? '' : next }, { replace: true })}
        />
      </div>
      {view === 'published' ? <PublishedList /> : view === 'titles' ? <OwnTitles /> : <DraftList />}
    </div>
  );
}
