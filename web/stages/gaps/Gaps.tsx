import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { Button } from 'antd';
import { Suspense, lazy, useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import { Empty } from '../../parts/words/Empty';
import { useTargetsQuery } from '../../state/rosterApi';
import { StageParts } from '../../parts/words/StageParts';
import { partOf } from '../../state/stageParts';
import { useScope } from '../../state/useScope';
import { Comparison } from './Comparison';
import { gapFilterOf } from './narrowed';
import './gaps.css';
import { t } from '../../words/t';

// Parts other than the table come when they are opened.
const TwoKeywords = lazy(async () => ({
  default: (await import('../../parts/dossier/TwoKeywords')).TwoKeywords,
}));
const OverTime = lazy(async () => ({ default: (await import('./OverTime')).OverTime }));
const OwnQueries = lazy(async () => ({ default: (await import('./OwnQueries')).OwnQueries }));
const PaidView = lazy(async () => ({ default: (await import('./PaidView')).PaidView }));
const SurfacesView = lazy(async () => ({ default: (await import('./SurfacesView')).SurfacesView }));
const WhatToDo = lazy(async () => ({ default: (await import('./WhatToDo')).WhatToDo }));

/** Parts that keep their place while a dossier opens beside them. */
const BESIDE_DOSSIER = ['paid', 'time', 'queries', 'surfaces'];

/** The heart: ours against theirs, organic and paid, now and over time. */
export default function Gaps() {
  const { project, scope, comparison } = useScope();
  const { search } = useLocation();
  const { data: targets } = useTargetsQuery(project);
  const view = partOf('gaps', scope.view);
  const query: GapQuery = useMemo(() => ({ ...comparison, ...gapFilterOf(scope) }), [comparison, scope]);
  if (targets && !targets.some((target) => target.side === 'own')) {
    return (
      <Empty title={t('gaps:Gaps.weAreNotInTheRoster')}>
        {t('gaps:Gaps.gapsLieBetweenUsAndRivals')}{' '}
        <div>
          <Link to={`/p/${project}/roster${search}`}>
            <Button type="primary">{t('gaps:Gaps.openTheRoster')}</Button>
          </Link>
        </div>
      </Empty>
    );
  }
  return (
    <div className="gaps">
      <div className="stage-top">
        <StageParts stage="gaps" name={t('gaps:Gaps.gaps')} />
      </div>
      {(view === 'table' || view === 'map') && <Comparison query={query} map={view === 'map'} />}
      <Suspense fallback={null}>
        {view === 'work' && <WhatToDo query={query} />}
        {BESIDE_DOSSIER.includes(view) && (
          <div className="gaps-body">
            {view === 'paid' && <PaidView query={query} />}
            {view === 'time' && <OverTime query={query} />}
            {view === 'queries' && <OwnQueries />}
            {view === 'surfaces' && <SurfacesView query={query} />}
            <OpenDossier />
          </div>
        )}
        {view === 'two' && <TwoKeywords />}
      </Suspense>
    </div>
  );
}
