import { Dossier } from './Dossier';
import { useScope } from '../../state/useScope';

/** The dossier of the keyword that is open in the address, beside a list; nothing where none is. */
export function OpenDossier() {
  const { project, scope, comparison, change } = useScope();
  if (scope.open === null) return null;
  return (
    <Dossier
      project={project}
      keyword={scope.open}
      comparison={comparison}
      own={scope.own}
      onClose={() => change({ open: null })}
    />
  );
}
