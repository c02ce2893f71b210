import { useState } from 'react';
import { Link } from 'react-router';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { useAlertsQuery, useEffectsQuery, useWatchQuery } from '../../state/watchApi';
import { comparedWith } from '../../state/scope';
import { StageParts } from '../../parts/words/StageParts';
import { partOf } from '../../state/stageParts';
import { useScope } from '../../state/useScope';
import { WatchAlerts, alertsLabel } from './WatchAlerts';
import { WatchChanges } from './WatchChanges';
import { WatchGroup } from './WatchGroup';
import { WatchHead } from './WatchHead';
import { WatchKeywords } from './WatchKeywords';
import { WatchTargets } from './WatchTargets';
import { WatchTotals } from './WatchTotals';
import './watch.css';
import { t } from '../../words/t';

/** Did it work: keywords that are followed, what changes did to them, and what is to be looked at again. */
export default function Watch() {
  const { project, scope, change } = useScope();
  const { market, date } = scope;
  const isReady = market !== '' && date !== '';
  // What is drawn begins with the day that is compared with, or with the first capture.
  const [all, showAll] = useState(false);
  const from = all ? undefined : comparedWith(scope);
  const [limit, setLimit] = useState<number | undefined>(undefined);
  const watch = useWatchQuery(
    {
      ...{ project, market, date, from, limit },
      find: scope.find.trim() || undefined,
      list: scope.inList ?? undefined,
      target: scope.answering || undefined,
    },
    { skip: !isReady },
  );
  const effects = useEffectsQuery({ project, market, date }, { skip: !isReady });
  const { data: alerts } = useAlertsQuery({ project, market, date }, { skip: !isReady });
  const error = watch.error ?? effects.error;
  if (error) return <Problem error={error} />;
  if (!watch.data || !effects.data) return <Waiting for={t('watch:Watch.whatIsFollowed')} />;
  const view = partOf('watch', scope.view);
  const nothing = watch.data.tracked === 0 && effects.data.changes.length === 0;
  return (
    <div className="watch">
      <WatchHead watch={watch.data} changes={effects.data.changes} />
      {nothing ? (
        <Empty title={t('watch:Watch.noKeywordIsFollowedInThis')}>
          {t('watch:Watch.tickKeywordsInGapsAndPress')}{' '}
          <Link className="written" to={`/p/${project}/gaps?market=${market}&date=${date}`}>
            {t('watch:Watch.chooseKeywordsInGaps')}
          </Link>
        </Empty>
      ) : (
        <>
          <div className="stage-top watch-top">
            <StageParts
              stage="watch"
              name={t('watch:Watch.watch')}
              words={(part, label) => (part === 'alerts' ? alertsLabel(alerts) : label)}
            />
            {(view === 'keywords' || view === 'total') && <WatchGroup targets={watch.data.targets} />}
            {(view === 'keywords' || view === 'total') && comparedWith(scope) !== undefined && (
              <label className="soft">
                <input type="checkbox" checked={all} onChange={() => showAll(!all)} />{' '}
                {t('watch:Watch.fromTheFirstCaptureOnNot')}
              </label>
            )}
          </div>
          {view === 'keywords' && (
            <WatchKeywords
              watch={watch.data}
              changes={effects.data.changes}
              find={scope.find}
              onFind={(find) => change({ find }, { replace: true })}
              onAll={() => setLimit(1000)}
            />
          )}
          {view === 'changes' && <WatchChanges effects={effects.data} />}
          {view === 'total' && <WatchTotals watch={watch.data} />}
          {view === 'targets' && <WatchTargets />}
          {view === 'alerts' && <WatchAlerts alerts={alerts ?? []} />}
        </>
      )}
      <OpenDossier />
    </div>
  );
}
