import { useLookUpsQuery, useTargetsQuery } from '../../state/api';
import { useScope } from '../../state/useScope';
import { LookUpForm } from './LookUpForm';
import { LookUpList } from './LookUpList';
import { PoolTable } from './PoolTable';
import './lookup.css';

/** Put in targets, see the price, follow the progress, read the pool. */
export default function LookUpStage() {
  const { project, scope, change } = useScope();
  const { data: lookUps } = useLookUpsQuery(project);
  const { data: targets } = useTargetsQuery(project);
  const open = lookUps?.find((lookUp) => lookUp.id === scope.lookUp) ?? lookUps?.[0];
  return (
    <div className="lookup">
      <div className="lookup-side">
        {targets && <LookUpForm targets={targets} onStarted={(lookUp) => change({ lookUp })} />}
        <LookUpList
          lookUps={lookUps ?? []}
          openId={open?.id ?? null}
          onOpen={(lookUp) => change({ lookUp })}
        />
      </div>
      {open ? (
        <PoolTable key={open.id} lookUp={open} />
      ) : (
        <div className="empty lookup-empty">
          <div className="serif">No look-up yet</div>
          Choose rivals on the left, or paste their pages or sites, and start. What comes is kept for ever,
          with its date.
        </div>
      )}
    </div>
  );
}
