import type { ChangeEffect, WatchView } from '@opsimath/contract/api/watch';
import { count, spelledDay } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { LookAgain } from './LookAgain';
import { PlanChoice } from './PlanChoice';
import { effectsTitle } from './watchWords';

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
          {count(tracked)} tracked {tracked === 1 ? 'keyword' : 'keywords'}, {count(days.length)}{' '}
          {days.length === 1 ? 'day' : 'days'} of capture
          {days.length > 0 && `, the last ${spelledDay(days.at(-1)!)}`}.{' '}
          <PlanChoice market={scope.market} plan={plan} tracked={tracked} />
        </p>
        {plan.trouble !== '' && <p className="problem">Nothing was captured: {plan.trouble}</p>}
        {due.length > 0 && (
          <ul className="due" aria-label="Due">
            <li>
              <b>{due.length} due:</b>
            </li>
            {due.slice(0, SHOWN).map((one) => (
              <li key={`${one.what} ${one.change} ${one.task}`}>
                {one.what === 'look at a change again' ? (
                  <LookAgain due={one} />
                ) : (
                  <>
                    <b>{one.text}</b>{' '}
                    <span className="soft">
                      {one.what}, {spelledDay(one.since)}
                    </span>{' '}
                    {one.keywords[0] !== undefined && (
                      <button className="plain written" onClick={() => change({ open: one.keywords[0]! })}>
                        open it
                      </button>
                    )}
                  </>
                )}
              </li>
            ))}
            {due.length > SHOWN && <li className="soft">and {due.length - SHOWN} more</li>}
          </ul>
        )}
      </div>
    </header>
  );
}
