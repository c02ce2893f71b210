import type { ChangeEffect, WatchView } from '@opsimath/contract/api/watch';
import { count, spelledDay } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { LookAgain } from './LookAgain';
import { PlanChoice } from './PlanChoice';
import { effectsTitle } from './watchWords';
import { t, wordOf } from '../../words/t';

const SHOWN = 4;

interface WatchHeadProps {
  watch: WatchView;
  changes: readonly ChangeEffect[];
}

/** Whether it worked, what is followed and when it is captured, and what is due. */
export function WatchHead({ watch, changes }: WatchHeadProps) {
  const { scope, change } = useScope();
  const { due, tracked, days, plan } = watch;
  return (
    <header className="stage-head watch-head">
      <div>
        <h1>{effectsTitle(changes)}</h1>
        <p className="soft">
          {t('watch:WatchHead.trackedTrackedWhichDaysWhich2Of', {
            tracked: count(tracked),
            which: tracked === 1 ? t('watch:WatchHead.keyword') : t('watch:WatchHead.keywords'),
            days: count(days.length),
            which2: days.length === 1 ? t('watch:WatchHead.day') : t('watch:WatchHead.days'),
          })}
          {days.length > 0 && t('watch:WatchHead.theLastAt', { at: spelledDay(days.at(-1)!) })}.{' '}
          <PlanChoice market={scope.market} plan={plan} tracked={tracked} />
        </p>
        {plan.trouble !== '' && (
          <p className="problem">
            {t('watch:WatchHead.nothingWasCapturedTrouble', { trouble: plan.trouble })}
          </p>
        )}
        {due.length > 0 && (
          <ul className="due" aria-label={t('watch:WatchHead.due')}>
            <li>
              <b>{t('watch:WatchHead.dueDue', { due: due.length })}</b>
            </li>
            {due.slice(0, SHOWN).map((one) => (
              <li key={`${one.what} ${one.change} ${one.task}`}>
                {one.what === 'look at a change again' ? (
                  <LookAgain due={one} />
                ) : (
                  <>
                    <b>{one.text}</b>{' '}
                    <span className="soft">
                      {wordOf(one.what)}
                      {', '}
                      {spelledDay(one.since)}
                    </span>{' '}
                    {one.keywords[0] !== undefined && (
                      <button className="plain written" onClick={() => change({ open: one.keywords[0]! })}>
                        {t('watch:WatchHead.openIt')}
                      </button>
                    )}
                  </>
                )}
              </li>
            ))}
            {due.length > SHOWN && (
              <li className="soft">{t('watch:WatchHead.andDueMore', { due: due.length - SHOWN })}</li>
            )}
          </ul>
        )}
      </div>
    </header>
  );
}
