import type { RoundPlan, RoundsView, Task } from '@opsimath/contract/api/rounds';
import { spelledDay, worth } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { warningsOf } from './roundWords';
import type { TaskChanges } from './useTaskChanges';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const MOST_NAMED = 3;

interface BoardSideProps {
  view: RoundsView;
  plan: RoundPlan | undefined;
  changes: TaskChanges;
}

/** What comes up again, what to watch out for, and what one more day would buy. */
export function BoardSide({ view, plan, changes }: BoardSideProps) {
  const { scope, change } = useScope();
  const off = view.aside.filter(({ state }) => state === 'put off');
  const dropped = view.aside.filter(({ state }) => state === 'dropped');
  const found = new Map<string, Task[]>();
  for (const round of view.rounds)
    for (const task of round.tasks)
      for (const warning of warningsOf(task, round))
        found.set(warning, [...(found.get(warning) ?? []), task]);
  const over = view.rounds.flatMap((round) =>
    round.people.filter(({ days, used }) => used > days + 1e-9).map(({ name }) => ({ round, name })),
  );
  return (
    <aside className="board-side" aria-label={t('rounds:BoardSide.whatToMind')}>
      <h2>{t('rounds:BoardSide.putOff')}</h2>
      {off.length === 0 && <p className="soft">{t('rounds:BoardSide.nothing')}</p>}
      {off.map((task) => (
        <p key={task.id}>
          <button className="plain" onClick={() => change({ task: task.id })}>
            <b>{task.lead.text}</b>
          </button>
          <span className="soft under">
            {task.until !== null &&
              `${task.until <= scope.date ? t('rounds:BoardSide.dueSince') : t('rounds:BoardSide.until')} ${spelledDay(task.until)}`}
            {task.why !== '' && `: ${task.why}`}
          </span>
        </p>
      ))}
      {view.again.length > 0 && (
        <>
          <h2>{t('rounds:BoardSide.againNextYear')}</h2>
          {view.again.map(({ text, id, from }) => (
            <p key={text}>
              {id === null ? (
                <b>{text}</b>
              ) : (
                <button className="plain" onClick={() => change({ open: id })}>
                  <b>{text}</b>
                </button>
              )}
              <span className="soft under">
                {from <= scope.date
                  ? t('rounds:BoardSide.workForItIsDueSince')
                  : t('rounds:BoardSide.workForItBeginsBy')}{' '}
                {spelledDay(from)}
              </span>
            </p>
          ))}
        </>
      )}
      <h2>{t('rounds:BoardSide.watchOut')}</h2>
      {found.size + over.length === 0 && (
        <p className="soft">{t('rounds:BoardSide.nothingStandsAgainstTheseRounds')}</p>
      )}
      {over.map(({ round, name }) => (
        <p key={`${round.id} ${name}`}>
          <Told
            id="rounds:BoardSide.nameHasMoreWorkInName2"
            values={{ name, name2: round.name }}
            parts={{ b: <b /> }}
          />
        </p>
      ))}
      {[...found].map(([warning, tasks]) => (
        <p key={warning}>
          {tasks.length === 1
            ? t('rounds:BoardSide.oneIs')
            : t('rounds:BoardSide.tasksAre', { tasks: tasks.length })}{' '}
          {warning}
          <span className="soft under">
            {tasks.slice(0, MOST_NAMED).map((task, n) => (
              <span key={task.id}>
                {n > 0 && ', '}
                <button className="plain written" onClick={() => change({ task: task.id })}>
                  {task.lead.text}
                </button>
              </span>
            ))}
            {tasks.length > MOST_NAMED && '…'}
          </span>
        </p>
      ))}
      {plan && plan.oneMoreDay.value > 0.005 && (
        <>
          <h2>{t('rounds:BoardSide.oneMoreDay')}</h2>
          <p>
            <Told
              id="rounds:BoardSide.buysWorthCurrencyAMonth"
              values={{ worth: worth(plan.oneMoreDay.value), currency: view.currency }}
              parts={{ b: <b /> }}
            />
            {plan.oneMoreDay.leads.length > 0 &&
              `: ${plan.oneMoreDay.leads
                .slice(0, 4)
                .map(({ text }) => text)
                .join(', ')}${plan.oneMoreDay.leads.length > 4 ? '…' : ''}`}
          </p>
        </>
      )}
      {dropped.length > 0 && (
        <>
          <h2>{t('rounds:BoardSide.dropped')}</h2>
          {dropped.map((task) => (
            <p key={task.id}>
              <span>{task.lead.text}</span>
              <span className="soft under">
                {task.why}{' '}
                <button
                  className="plain written"
                  onClick={() =>
                    void changes.change(t('rounds:BoardSide.textOfferedAgain', { text: task.lead.text }), [
                      { id: task.id, state: 'out' },
                    ])
                  }
                >
                  {t('rounds:BoardSide.offerItAgain')}
                </button>
              </span>
            </p>
          ))}
        </>
      )}
    </aside>
  );
}
