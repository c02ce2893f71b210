import { useTargetsQuery } from '../../state/api';
import { useScope } from '../../state/useScope';
import { Problem } from '../../parts/words/Problem';
import { ImportPanel } from './ImportPanel';
import { SettingsPanel } from './SettingsPanel';
import { TargetSection } from './TargetSection';
import './roster.css';

/** Who we are and whom we face, what we know of ourselves, and how things are valued. */
export default function Roster() {
  const { project } = useScope();
  const { data: targets, error } = useTargetsQuery(project);
  return (
    <div className="roster">
      <div>
        {error && <Problem error={error} />}
        <TargetSection side="own" targets={targets?.filter((target) => target.side === 'own') ?? []} />
        <TargetSection side="rival" targets={targets?.filter((target) => target.side === 'rival') ?? []} />
        <ImportPanel />
      </div>
      <SettingsPanel />
    </div>
  );
}
