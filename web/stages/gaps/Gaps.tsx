import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import { Button } from 'antd';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { TwoKeywords } from '../../parts/dossier/TwoKeywords';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import { Empty } from '../../parts/words/Empty';
import { useTargetsQuery } from '../../state/rosterApi';
import { StageParts } from '../../parts/words/StageParts';
import { partOf } from '../../state/stageParts';
import { useScope } from '../../state/useScope';
import { Comparison } from './Comparison';
import { gapFilterOf } from './narrowed';
import { OverTime } from './OverTime';
import { OwnQueries } from './OwnQueries';
import { PaidView } from './PaidView';
import { SurfacesView } from './SurfacesView';
import { WhatToDo } from './WhatToDo';
import './gaps.css';
import { t } from '../../words/t';

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
    </div>
  );
}
