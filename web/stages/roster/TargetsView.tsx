import type { RefreshAnswer, Target } from '@opsimath/contract/api/targets';
import { Button } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { spelledDay } from '../../parts/words/figures';
import { useRefreshTargetsMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { TargetSection } from './TargetSection';
import { t } from '../../words/t';

/** Own and rival targets, and what their public records say when fetched again. */
export function TargetsView({ targets }: { targets: readonly Target[] }) {
  const { project } = useScope();
  const [refresh, { isLoading, error }] = useRefreshTargetsMutation();
  const [answer, setAnswer] = useState<RefreshAnswer | null>(null);
  const look = async (): Promise<void> => setAnswer(await refresh(project).unwrap());
  return (
    <>
      <TargetSection side="own" targets={targets.filter((target) => target.side === 'own')} />
      <TargetSection side="rival" targets={targets.filter((target) => target.side === 'rival')} />
      {targets.length > 0 && (
        <section className="section">
          <Button onClick={() => void look().catch(() => undefined)} loading={isLoading}>
            {t('roster:TargetsView.fetchTheirPublicRecordsAgain')}
          </Button>
          {error && <Problem error={error} />}
          {answer && <RefreshWords answer={answer} />}
        </section>
      )}
    </>
  );
}

function RefreshWords({ answer }: { answer: RefreshAnswer }) {
  const { change } = useScope();
  return (
    <div role="status" className="refresh">
      {answer.changed.length === 0
        ? t('roster:TargetsView.lookedLookedAtOnDateNothing', {
            looked: answer.looked,
            date: spelledDay(answer.date),
          })
        : t('roster:TargetsView.changedOfLookedHaveChanged', {
            changed: answer.changed.length,
            looked: answer.looked,
          })}
      <ul>
        {answer.changed.map(({ target, name, changes }) => (
          <li key={target}>
            <button className="plain written" onClick={() => change({ target })}>
              {name}
            </button>
            {': '}
            {changes.map(({ field }) => field).join(', ')}
          </li>
        ))}
        {answer.failed.map(({ target, name, reason }) => (
          <li key={target}>
            {name}
            {': '}
            {reason}
          </li>
        ))}
      </ul>
    </div>
  );
}
