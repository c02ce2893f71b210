import { useTargetsQuery } from '../../state/rosterApi';
import { STAGE_PARTS, partOf, viewOf } from '../../state/stageParts';
import { useScope } from '../../state/useScope';
import { Problem } from '../../parts/words/Problem';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import { BannedWords } from './BannedWords';
import { ChannelTable } from './ChannelTable';
import { FilesView } from './FilesView';
import { FindRivals } from './FindRivals';
import { IndexView } from './IndexView';
import { ModelsPanel } from './ModelsPanel';
import { SettingsPanel } from './SettingsPanel';
import { StartPath } from './StartPath';
import { TargetPanel } from './TargetPanel';
import { TargetsView } from './TargetsView';
import './roster.css';
import { t } from '../../words/t';

/** Who we are and whom we face, what is known of us and them, and how things are valued. */
export default function Roster() {
  const { project, scope, change } = useScope();
  const { data: targets, error } = useTargetsQuery(project);
  const open = partOf('roster', scope.view);
  return (
    <div className="roster">
      <nav className="views" aria-label={t('roster:Roster.partsOfTheRoster')}>
        {STAGE_PARTS.roster.map(({ value, label }) => (
          <button
            key={value}
            className="plain view"
            aria-current={value === open ? 'page' : undefined}
            onClick={() => change({ view: viewOf('roster', value), target: null, open: null })}
          >
            {label}
          </button>
        ))}
      </nav>
      {error && <Problem error={error} />}
      <div className="roster-body">
        <div className="roster-main">
          {open === 'who' && targets && (
            <>
              <StartPath targets={targets} />
              <TargetsView targets={targets} />
            </>
          )}
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
        {scope.target !== null && scope.open === null && (
          <TargetPanel key={scope.target} target={scope.target} onClose={() => change({ target: null })} />
        )}
        <OpenDossier />
      </div>
    </div>
  );
}
