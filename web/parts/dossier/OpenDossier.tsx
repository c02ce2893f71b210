import { Suspense, lazy } from 'react';
import { useScope } from '../../state/useScope';

const Dossier = lazy(async () => ({ default: (await import('./Dossier')).Dossier }));

/** The dossier of the keyword that is open in the address, beside a list; nothing where none is. */
export function OpenDossier() {
  const { project, scope, comparison, change } = useScope();
  if (scope.open === null) return null;
  return (
    <Suspense fallback={null}>
      <Dossier
        project={project}
        keyword={scope.open}
        comparison={comparison}
        own={scope.own}
        onClose={() => change({ open: null })}
      />
    </Suspense>
  );
}
