import type { RoundPlan, RoundsView, Task } from '@opsimath/contract/api/rounds';
import { spelledDay, worth } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { warningsOf } from './roundWords';
import type { TaskChanges } from './useTaskChanges';

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
    <aside className="board-side" aria-label="What to mind">
      <h2>Put off</h2>
      {off.length === 0 && <p className="soft">Nothing.</p>}
      {off.map((task) => (
        <p key={task.id}>
          <button className="plain" onClick={() => change({ task: task.id })}>
            <b>{task.lead.text}</b>
          </button>
          <span className="soft under">
            {task.until !== null &&
              `${task.until <= scope.date ? 'due since' : 'until'} ${spelledDay(task.until)}`}
            {task.why !== '' && `: ${task.why}`}
          </span>
        </p>
      ))}
      {view.again.length > 0 && (
        <>
          <h2>Again next year</h2>
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
                {from <= scope.date ? 'work for it is due since' : 'work for it begins by'} {spelledDay(from)}
              </span>
            </p>
          ))}
        </>
      )}
      <h2>Watch out</h2>
      {found.size + over.length === 0 && <p className="soft">Nothing stands against these rounds.</p>}
      {over.map(({ round, name }) => (
        <p key={`${round.id} ${name}`}>
          <b>{name}</b> has more work in {round.name} than days
        </p>
      ))}
      {[...found].map(([warning, tasks]) => (
        <p key={warning}>
          {tasks.length === 1 ? 'One is' : `${tasks.length} are`} {warning}
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
          <h2>One more day</h2>
          <p>
            buys{' '}
            <b>
              {worth(plan.oneMoreDay.value)} {view.currency} a month
            </b>
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
          <h2>Dropped</h2>
          {dropped.map((task) => (
            <p key={task.id}>
              <span>{task.lead.text}</span>
              <span className="soft under">
                {task.why}{' '}
                <button
                  className="plain written"
                  onClick={() =>
                    void changes.change(`“${task.lead.text}” offered again`, [{ id: task.id, state: 'out' }])
                  }
                >
                  Offer it again
                </button>
              </span>
            </p>
          ))}
        </>
      )}
    </aside>
  );
}
