import type { LookUp } from '@opsimath/contract/api/lookUps';
import { useLocation } from 'react-router';
import { useLookUpsQuery } from '../../state/lookUpApi';
import { useMarketsQuery } from '../../state/projectApi';
import { useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { LookUpForm } from './LookUpForm';
import { LookUpList } from './LookUpList';
import { Pool } from './Pool';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import '../../parts/pool/pool.css';
import './lookup.css';
import { t } from '../../words/t';

const NOTHING: never[] = [];

/** Put in targets, seed keywords or a list, see the price, follow the progress, read the pool. */
export default function LookUpStage() {
  const { project, scope, change } = useScope();
  const { filled } = (useLocation().state ?? {}) as { filled?: number };
  const { data: lookUps } = useLookUpsQuery(project);
  const { data: targets } = useTargetsQuery(project);
  const { data: markets } = useMarketsQuery();
  const open =
    lookUps?.find((lookUp) => lookUp.id === scope.lookUp) ??
    lookUps?.find((lookUp) => lookUp.market === scope.market);
  const show = (lookUp: Pick<LookUp, 'id' | 'market'>): void =>
    change({ lookUp: lookUp.id, market: lookUp.market, poolFind: '', poolWords: '', poolFound: [] });
  return (
    <div className="lookup">
      <div className="lookup-side">
        {targets && markets && (
          <LookUpForm
            key={filled}
            targets={targets}
            markets={markets}
            onStarted={(lookUp) => change({ lookUp, poolFind: '', poolWords: '', poolFound: [] })}
          />
        )}
        <LookUpList
          lookUps={lookUps ?? NOTHING}
          markets={markets ?? NOTHING}
          openId={open?.id ?? null}
          onOpen={show}
        />
      </div>
      {open ? (
        <Pool key={open.id} lookUp={open} lookUps={lookUps ?? NOTHING} />
      ) : (
        <div className="empty lookup-empty">
          <div className="serif">{t('lookup:LookUpStage.noLookUpInThisMarket')}</div>
          {t('lookup:LookUpStage.chooseRivalsOnTheLeftPaste')}
        </div>
      )}
      <OpenDossier />
    </div>
  );
}
