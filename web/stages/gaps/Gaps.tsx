import type { GapQuery } from '@opsimath/contract/api/gaps';
import { Button } from 'antd';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { Dossier } from '../../parts/dossier/Dossier';
import { Empty } from '../../parts/words/Empty';
import { FindBox } from '../../parts/words/FindBox';
import { Problem } from '../../parts/words/Problem';
import { useGapPageQuery } from '../../state/gapsApi';
import { useLookUpsQuery } from '../../state/lookUpApi';
import { useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { GapTable } from './GapTable';
import { GapTitle } from './GapTitle';
import { KindStrip } from './KindStrip';
import { MarkFilters } from './MarkFilters';
import { exportAddress } from './exportAddress';
import './gaps.css';

/** The heart: every keyword with its lane, gap kind, worth, and what to do. */
export default function Gaps() {
  const { project, scope, comparison, change } = useScope();
  const { search } = useLocation();
  const { data: targets } = useTargetsQuery(project);
  const { data: lookUps } = useLookUpsQuery(project);
  const query: GapQuery = useMemo(
    () => ({
      ...comparison,
      kinds: scope.kinds,
      paid: scope.paid,
      marks: scope.marks,
      find: scope.find,
      sort: scope.sort,
      descending: String(scope.descending),
    }),
    [comparison, scope],
  );
  const {
    data: first,
    error,
    isFetching,
    refetch,
  } = useGapPageQuery({ project, query: { ...query, offset: 0 } });

  if (error) {
    return (
      <Problem error={error}>
        <Button size="small" onClick={() => void refetch()}>
          Try again
        </Button>
      </Problem>
    );
  }
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
  if (first && first.totals.keywords === 0) {
    return (
      <Empty title="No keywords in this scope yet">
        A look-up finds what rivals rank for, and captures who stands where.
        <div>
          <Link to={`/p/${project}/look-up${search}`}>
            <Button type="primary">Start a look-up</Button>
          </Link>
        </div>
      </Empty>
    );
  }
  return (
    <div className="gaps">
      <header className="gaps-head">
        <GapTitle
          page={first}
          query={query}
          pools={lookUps ?? []}
          busy={isFetching}
          onPool={(pool) => change({ pool, open: null })}
        />
        <span className="gaps-tools">
          <FindBox value={scope.find} onFind={(find) => change({ find }, { replace: true })} />
          <Button href={exportAddress(project, query)}>Export CSV</Button>
        </span>
      </header>
      <KindStrip totals={first?.totals} chosen={scope.kinds} onChoose={(kinds) => change({ kinds })} />
      <MarkFilters totals={first?.totals} scope={scope} onChange={change} />
      <div className="gaps-body">
        {first && (
          <GapTable
            project={project}
            query={query}
            first={first}
            openId={scope.open}
            narrow={scope.open !== null}
            onOpen={(open) => change({ open }, { replace: scope.open !== null })}
          />
        )}
        {scope.open !== null && (
          <Dossier
            project={project}
            keyword={scope.open}
            comparison={comparison}
            own={scope.own}
            onClose={() => change({ open: null })}
          />
        )}
      </div>
    </div>
  );
}
