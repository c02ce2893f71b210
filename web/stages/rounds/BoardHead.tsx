import type { Round, RoundPlan, RoundsView } from '@opsimath/contract/api/rounds';
import { Button, Dropdown } from 'antd';
import { useState } from 'react';
import { copyAsTable } from '../../parts/table/copyAsTable';
import { count, counted, decimal, percent, worth } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';
import { ComparePlans } from './ComparePlans';
import { roundTable } from './roundTable';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const MORE_ROUNDS = [2, 3, 4, 6];
const FORMATS = [
  ['csv', 'CSV'],
  ['xlsx', t('rounds:BoardHead.spreadsheetXLSX')],
  ['json', 'JSON'],
  ['ics', t('rounds:BoardHead.calendarICalendar')],
  ['md', t('rounds:BoardHead.checkListMarkdown')],
] as const;

interface BoardHeadProps {
  view: RoundsView;
  round: Round | undefined;
  plan: RoundPlan | undefined;
  isFilling: boolean;
  onFill: (rounds: number) => void;
}

/** What its clicks would sell at the rate that the project aims at: an aim is no forecast. */
function AimWords({ clicks }: { clicks: number }) {
  const goal = useSettings()?.goals.organic ?? null;
  if (goal === null || clicks <= 0) return null;
  return (
    <>
      {t('rounds:BoardHead.atTheGoalAimedAtIts', {
        goal: percent(goal),
        clicks: counted(Math.round(clicks), 'click'),
        clicks2: decimal(clicks * goal, 1),
      })}{' '}
    </>
  );
}

/** What the chosen round brings, and what can be done with it. */
export function BoardHead({ view, round, plan, isFilling, onFill }: BoardHeadProps) {
  const { project } = useScope();
  const [comparing, compare] = useState(false);
  const { currency } = view;
  if (!round)
    return (
      <header className="stage-head">
        <h1>{t('rounds:BoardHead.noRoundIsPlanned')}</h1>
      </header>
    );
  const all = round.people.reduce((sum, { days }) => sum + days, 0);
  return (
    <header className="stage-head">
      <div>
        <h1 className="stage-title">
          {round.tasks.length === 0 ? (
            <>{t('rounds:BoardHead.nameIsEmpty', { name: round.name })}</>
          ) : (
            <>
              <Told
                id="rounds:BoardHead.nameAddsAboutWorthCurrencyA"
                values={{
                  name: round.name,
                  worth: worth(round.value),
                  currency,
                  days: decimal(round.days, 1),
                  all: decimal(all, 1),
                }}
                parts={{ b: <b /> }}
              />
            </>
          )}
        </h1>
        <p className="soft">
          {round.tasks.length > 0 && (
            <>
              {t('rounds:BoardHead.n80BetweenLowAndHighTasks', {
                low: worth(round.low),
                high: worth(round.high),
                tasks: count(round.tasks.length),
                which:
                  round.tasks.length === 1
                    ? t('rounds:BoardHead.actionServes')
                    : t('rounds:BoardHead.actionsServe'),
                keywords: counted(round.keywords, 'keyword'),
              })}{' '}
              <AimWords clicks={round.tasks.reduce((sum, task) => sum + task.clicks, 0)} />
            </>
          )}
          {plan && plan.lines.length > 0 && (
            <>
              {t('rounds:BoardHead.filledNowItWouldTakeLines', {
                lines: plan.lines.length,
                worth: worth(plan.value),
                currency,
              })}{' '}
            </>
          )}
          {plan &&
            (plan.roundsAfter === 0
              ? t('rounds:BoardHead.nothingIsLeftForAnotherRound')
              : t('rounds:BoardHead.theQueueFillsRoundsAfterMoreRounds', {
                  roundsAfter: count(plan.roundsAfter),
                }))}{' '}
          {t('rounds:BoardHead.estimated')}
        </p>
      </div>
      <span className="stage-tools">
        <Button
          size="small"
          type="primary"
          loading={isFilling}
          disabled={plan?.lines.length === 0}
          title={t('rounds:BoardHead.takesWhatBringsMostForThe')}
          onClick={() => onFill(1)}
        >
          {t('rounds:BoardHead.fillThisRound')}
        </Button>
        <Dropdown
          trigger={['click']}
          menu={{
            items: MORE_ROUNDS.map((rounds) => ({
              key: rounds,
              label: t('rounds:BoardHead.fillThisOneAndRoundsAfter', { rounds: rounds - 1 }),
              onClick: () => onFill(rounds),
            })),
          }}
        >
          <Button size="small">{t('rounds:BoardHead.fillMore')}</Button>
        </Dropdown>
        <Button size="small" onClick={() => compare(true)}>
          {t('rounds:BoardHead.comparePlans')}
        </Button>
        <Button
          size="small"
          disabled={round.tasks.length === 0}
          onClick={() => void copyAsTable(roundTable(round, currency))}
        >
          {t('rounds:BoardHead.copyAsATable')}
        </Button>
        <Dropdown
          trigger={['click']}
          menu={{
            items: FORMATS.map(([format, name]) => ({
              key: format,
              label: <a href={`/api/projects/${project}/rounds/${round.id}/file?format=${format}`}>{name}</a>,
            })),
          }}
        >
          <Button size="small" disabled={round.tasks.length === 0}>
            {t('rounds:BoardHead.export')}
          </Button>
        </Dropdown>
      </span>
      {comparing && <ComparePlans round={round} currency={currency} onClose={() => compare(false)} />}
    </header>
  );
}
