import { Suspense, lazy, useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Outlet, useLocation, useNavigate } from 'react-router';
import { useKeys } from '../parts/keys/useKeys';
import { Problem } from '../parts/words/Problem';
import { useMarketsQuery, useOverviewQuery, useProjectsQuery, useServicesQuery } from '../state/projectApi';
import { useAuditsQuery } from '../state/reportsApi';
import { scopeDefaults } from '../state/scope';
import { useScope } from '../state/useScope';
import { useWatchDueQuery } from '../state/watchApi';
import { OpenCommand } from './command/OpenCommand';
import { ClashNotice } from './ClashNotice';
import { JobNotices } from './JobNotices';
import { JudgingNotice } from './JudgingNotice';
import { ScopeBar } from './ScopeBar';
import { STAGES } from './stages';
import { StagesRow } from './StagesRow';
import { usePartKeys } from './usePartKeys';
import { Tray } from './Tray';
import { useUndoKeys } from './useUndoKeys';

const NOTHING: never[] = [];

// Not of the first page.
const Tour = lazy(async () => ({ default: (await import('./tour/Tour')).Tour }));
const Shortcuts = lazy(async () => ({ default: (await import('./Shortcuts')).Shortcuts }));

/** The frame of every stage: stages row, scope bar, the stage itself, tray; and the keys that work everywhere. */
export function Shell() {
  const { project, scope, change } = useScope();
  const { search } = useLocation();
  const navigate = useNavigate();
  const [commandOpen, setCommandOpen] = useState(false);
  const [keysOpen, setKeysOpen] = useState(false);
  const { data: projects } = useProjectsQuery();
  const { data: audits } = useAuditsQuery();
  const projectName =
    projects?.find((entry) => entry.id === project)?.name ??
    audits?.find((entry) => entry.project === project)?.name ??
    '';
  const { data: markets, error: marketsError } = useMarketsQuery();
  const { data: services } = useServicesQuery(undefined, { pollingInterval: 60_000 });
  const { data: overview, error: overviewError } = useOverviewQuery({
    project,
    market: scope.market || undefined,
  });

  const { data: due } = useWatchDueQuery(
    { project, market: scope.market, date: scope.date },
    { skip: scope.market === '' || scope.date === '' },
  );

  // What the address leaves open is written into it as soon as it is known.
  const today = services?.today ?? overview?.dates[0]?.date;
  useEffect(() => {
    if (!markets || !overview || !today) return;
    const missing = scopeDefaults(scope, { markets, today, dates: overview.dates });
    if (Object.keys(missing).length > 0) change(missing, { replace: true });
  }, [markets, overview, today, scope, change]);

  useHotkeys('mod+k', () => setCommandOpen(true), { preventDefault: true, enableOnFormTags: true });
  useUndoKeys(project);
  usePartKeys();
  useKeys('?', () => setKeysOpen(true));
  useKeys(
    STAGES.map((stage) => `g>${stage.letter}`),
    (_, { hotkey }) => {
      const stage = STAGES.find((candidate) => hotkey.endsWith(candidate.letter));
      if (stage) void navigate(`/p/${project}/${stage.path}${search}`);
    },
  );

  const ready = scope.market !== '' && scope.date !== '';
  return (
    <div className="shell">
      <StagesRow
        project={project}
        search={search}
        overview={overview}
        due={due?.due}
        onCommand={() => setCommandOpen(true)}
        onKeys={() => setKeysOpen(true)}
      />
      <ScopeBar
        projectName={projectName}
        market={scope.market}
        date={scope.date}
        compare={scope.compare}
        own={scope.own}
        markets={markets ?? NOTHING}
        dates={overview?.dates ?? NOTHING}
        services={services}
        onChange={change}
      />
      <main className="stage-body" id="stage">
        {(marketsError ?? overviewError) && <Problem error={marketsError ?? overviewError} />}
        {ready && (
          // Inside, so that a stage that is still loading never holds back the scope.
          <Suspense fallback={null}>
            <Outlet />
          </Suspense>
        )}
      </main>
      <JobNotices />
      <JudgingNotice />
      <ClashNotice />
      <Tray project={project} />
      {commandOpen && <OpenCommand onClose={() => setCommandOpen(false)} onKeys={() => setKeysOpen(true)} />}
      <Suspense fallback={null}>
        {ready && new URLSearchParams(search).has('tour') && <Tour />}
        {keysOpen && <Shortcuts onClose={() => setKeysOpen(false)} />}
      </Suspense>
    </div>
  );
}
