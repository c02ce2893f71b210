import { useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { Problem } from '../../parts/words/Problem';
import { BannedWords } from './BannedWords';
import { ChannelTable } from './ChannelTable';
import { FilesView } from './FilesView';
import { FindRivals } from './FindRivals';
import { IndexView } from './IndexView';
import { ModelsPanel } from './ModelsPanel';
import { SettingsPanel } from './SettingsPanel';
import { TargetPanel } from './TargetPanel';
import { TargetsView } from './TargetsView';
import './roster.css';

const VIEWS = [
  { view: '', name: 'Who' },
  { view: 'find', name: 'Find rivals' },
  { view: 'index', name: 'Own pages in the index' },
  { view: 'channels', name: 'Channel keywords' },
  { view: 'words', name: 'Words not to use' },
  { view: 'files', name: 'Files' },
  { view: 'settings', name: 'Settings' },
] as const;

/** Who we are and whom we face, what is known of us and them, and how things are valued. */
export default function Roster() {
  const { project, scope, change } = useScope();
  const { data: targets, error } = useTargetsQuery(project);
  const open = VIEWS.find(({ view }) => view === scope.view)?.view ?? '';
  return (
    <div className="roster">
      <nav className="views" aria-label="Parts of the roster">
        {VIEWS.map(({ view, name }) => (
          <button
            key={view}
            className="plain view"
            aria-current={view === open ? 'page' : undefined}
            onClick={() => change({ view, target: null })}
          >
            {name}
          </button>
        ))}
      </nav>
      {error && <Problem error={error} />}
      <div className="roster-body">
        <div className="roster-main">
          {open === '' && targets && <TargetsView targets={targets} />}
          {open === 'find' && targets && <FindRivals targets={targets} />}
          {open === 'index' && <IndexView />}
          {open === 'channels' && <ChannelTable />}
          {open === 'words' && <BannedWords />}
          {open === 'files' && <FilesView />}
          {open === 'settings' && (
            <div className="settings-body">
              <SettingsPanel />
              <ModelsPanel />
            </div>
          )}
        </div>
        {scope.target !== null && (
          <TargetPanel key={scope.target} target={scope.target} onClose={() => change({ target: null })} />
        )}
      </div>
    </div>
  );
}
