import type { GapQuery } from '@opsimath/contract/api/gaps';
import { Button, Segmented } from 'antd';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { TwoKeywords } from '../../parts/dossier/TwoKeywords';
import { Empty } from '../../parts/words/Empty';
import { useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { Comparison } from './Comparison';
import { gapFilterOf } from './narrowed';
import { OverTime } from './OverTime';
import { OwnQueries } from './OwnQueries';
import { PaidView } from './PaidView';
import { SurfacesView } from './SurfacesView';
import { WhatToDo } from './WhatToDo';
import './gaps.css';

const VIEWS = [
  { value: 'table', label: 'Table' },
  { value: 'work', label: 'What to do' },
  { value: 'map', label: 'Map' },
  { value: 'paid', label: 'Paid' },
  { value: 'time', label: 'Over time' },
  { value: 'queries', label: 'Own queries' },
  { value: 'surfaces', label: 'Across surfaces' },
  { value: 'two', label: 'Two keywords' },
] as const;
type View = (typeof VIEWS)[number]['value'];

/** The heart: ours against theirs, organic and paid, now and over time. */
export default function Gaps() {
  const { project, scope, comparison, change } = useScope();
  const { search } = useLocation();
  const { data: targets } = useTargetsQuery(project);
  const view: View = VIEWS.find(({ value }) => value === scope.view)?.value ?? 'table';
  const query: GapQuery = useMemo(() => ({ ...comparison, ...gapFilterOf(scope) }), [comparison, scope]);
  if (targets && !targets.some((target) => target.side === 'own')) {
    return (
      <Empty title="We are not in the roster yet">
        Gaps lie between us and rivals. Add our own site first.{' '}
        <div>
          <Link to={`/p/${project}/roster${search}`}>
            <Button type="primary">Open the roster</Button>
          </Link>
        </div>
      </Empty>
    );
  }
  return (
    <div className="gaps">
      <div className="stage-top">
        <Segmented
          size="small"
          aria-label="Part of Gaps"
          value={view}
          options={VIEWS.map(({ value, label }) => ({ value, label }))}
          onChange={(next) => change({ view: next === 'table' ? '' : next }, { replace: true })}
        />
      </div>
      {(view === 'table' || view === 'map') && <Comparison query={query} map={view === 'map'} />}
      {view === 'work' && <WhatToDo query={query} />}
      {view === 'paid' && <PaidView query={query} />}
      {view === 'time' && <OverTime query={query} />}
      {view === 'queries' && <OwnQueries />}
      {view === 'surfaces' && <SurfacesView query={query} />}
      {view === 'two' && <TwoKeywords />}
    </div>
  );
}
