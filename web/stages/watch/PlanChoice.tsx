import type { WatchView } from '@opsimath/contract/api/watch';
import { unitsAMonth } from '@opsimath/core/watch/schedule';
import { Button, Popover } from 'antd';
import { useState } from 'react';
import { counted, spelledDay } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useMessages } from '../../state/messages';
import { request } from '../../state/operations';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { usePlanWatchMutation, watchApi } from '../../state/watchApi';
import { WEEKDAYS, planWords } from './watchWords';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];

interface PlanChoiceProps {
  market: string;
  plan: WatchView['plan'];
  tracked: number;
}

/** On which days tracked keywords are captured, and what that costs a month, before it is switched on. */
export function PlanChoice({ market, plan, tracked }: PlanChoiceProps) {
  const { project } = useScope();
  const [days, choose] = useState<readonly number[]>(plan.weekdays);
  const [open, setOpen] = useState(false);
  const [keep, { isLoading }] = usePlanWatchMutation();
  const undoable = useUndoable(project);
  const message = useMessages();
  const trouble = useTrouble();
  const cost = unitsAMonth(days, tracked);
  const set = async (): Promise<void> => {
    const weekdays = [...days].sort((a, b) => a - b);
    try {
      const { before, started } = await keep({ project, market, weekdays }).unwrap();
      const { planWatch } = watchApi.endpoints;
      undoable({
        what:
          weekdays.length === 0
            ? t('watch:PlanChoice.capturesSwitchedOff')
            : t('watch:PlanChoice.daysOfCapturesSet'),
        undo: request(planWatch, { project, market, weekdays: before }),
        redo: request(planWatch, { project, market, weekdays }),
      });
      if (started.length > 0) void message.info(t('watch:PlanChoice.todaySCaptureHasBegun'));
      setOpen(false);
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        if (next) choose(plan.weekdays);
      }}
      content={
        <div className="plan-choice">
          <p role="group" aria-label={t('watch:PlanChoice.daysOfCaptures')}>
            {WEEKDAYS.map((name, n) => (
              <label key={name}>
                <input
                  type="checkbox"
                  checked={days.includes(n + 1)}
                  onChange={() =>
                    choose(days.includes(n + 1) ? days.filter((day) => day !== n + 1) : [...days, n + 1])
                  }
                />{' '}
                {wordOf(name)}
              </label>
            ))}
          </p>
          <p>
            <button className="plain written" onClick={() => choose(EVERY_DAY)}>
              {t('watch:PlanChoice.everyDay')}
            </button>{' '}
            <button className="plain written" onClick={() => choose([1])}>
              {t('watch:PlanChoice.mondays')}
            </button>{' '}
            <button className="plain written" onClick={() => choose([])}>
              {t('watch:PlanChoice.never')}
            </button>
          </p>
          <p>
            <Told
              id="watch:PlanChoice.unitsAMonthForKeywordsA"
              values={{ units: counted(cost, 'unit'), keywords: counted(tracked, 'keyword') }}
              parts={{ b: <b /> }}
            />
          </p>
          <Button size="small" type="primary" loading={isLoading} onClick={() => void set()}>
            {days.length === 0 ? t('watch:PlanChoice.switchItOff') : t('watch:PlanChoice.captureOnTheseDays')}
          </Button>
        </div>
      }
    >
      <button className="plain written">
        {planWords(plan)}
        {plan.weekdays.length > 0 &&
          t('watch:PlanChoice.unitsAMonth', { units: counted(plan.unitsAMonth, 'unit') })}
        {plan.next !== null && t('watch:PlanChoice.nextNext', { next: spelledDay(plan.next) })}
      </button>
    </Popover>
  );
}
