import type { Round, RoundPlan, RoundsView, Task } from '@opsimath/contract/api/rounds';
import type { WorkLine } from '@opsimath/contract/api/whatToDo';
import { useDroppable } from '@dnd-kit/core';
import { count, counted, worth } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { WorkCard } from './WorkCard';
import { moveFocus } from './moveFocus';
import { daysWord, whereOfLine } from './roundWords';

interface QueueColumnProps {
  view: RoundsView;
  plan: RoundPlan | undefined;
  round: Round | undefined;
  rounds: readonly Round[];
  laneOf: (id: number) => React.ReactNode;
  onPick: (round: number, lead: Task['lead'], action: Task['action']) => void;
}

/** What is left to do. What the chosen round would take stands first; a line says where it ends. */
export function QueueColumn({ view, plan, round, rounds, laneOf, onPick }: QueueColumnProps) {
  const { scope, change } = useScope();
  const { setNodeRef, isOver } = useDroppable({ id: 'queue', data: { queue: true } });
  const { queue, currency } = view;
  const taken = new Set(plan?.lines.map(nameOf));
  const first = plan?.lines ?? [];
  const rest = queue.lines.filter((line) => !taken.has(nameOf(line)));
  const card = (line: WorkLine) => (
    <WorkCard
      key={nameOf(line)}
      id={`queue ${nameOf(line)}`}
      carried={{ of: 'queue', keyword: line.lead.id, text: line.lead.text, action: line.action }}
      lead={line.lead.text}
      lane={laneOf(line.lead.id)}
      action={line.action}
      where={whereOfLine(line)}
      value={line.value}
      currency={currency}
      facts={[
        daysWord(line.effort),
        ...(line.served.won.keywords > 1 ? [`serves ${counted(line.served.won.keywords, 'keyword')}`] : []),
        ...(line.served.lost.keywords > 0
          ? [`costs ${counted(Math.round(line.served.lost.clicks), 'click')} on ${line.served.lost.keywords}`]
          : []),
      ].join(' · ')}
      isOpen={scope.open === line.lead.id}
      onOpen={() => change({ open: line.lead.id, task: null })}
      onKeyDown={(event) => {
        const wanted = /^[1-9]$/.test(event.key) ? rounds[Number(event.key) - 1] : undefined;
        if (wanted) {
          event.preventDefault();
          onPick(wanted.id, line.lead, line.action);
        } else if (event.key === 'Enter') {
          event.preventDefault();
          change({ open: line.lead.id, task: null });
        } else moveFocus(event);
      }}
    />
  );
  return (
    <section
      ref={setNodeRef}
      className={`board-queue${isOver ? ' drop-here' : ''}`}
      aria-label="Queue"
      data-column="queue"
    >
      <header>
        <h2>Queue</h2>
        <span className="soft">{count(queue.total)} actions</span>
      </header>
      <p className="soft">
        {first.length > 0
          ? `What ${round?.name ?? 'the round'} would take stands above the line.`
          : 'The most for a day of work first.'}{' '}
        {currency} a month, estimated.
      </p>
      <div className="board-cards">
        {first.map(card)}
        {first.length > 0 && plan && (
          <p className="queue-line">
            here {round?.name} would end ·{' '}
            {plan.oneMoreDay.value > 0.005
              ? `one more day buys ${worth(plan.oneMoreDay.value)} ${currency} a month`
              : 'one more day would buy nothing'}
          </p>
        )}
        {rest.map(card)}
        {queue.total > queue.lines.length && (
          <p className="soft">
            {count(queue.total - queue.lines.length)} more of less value for a day: Gaps, What to do shows
            all.
          </p>
        )}
        {queue.total === 0 && (
          <p className="soft">Nothing is left to do in this market that would bring something.</p>
        )}
      </div>
    </section>
  );
}

const nameOf = ({ action, target, lead }: WorkLine): string =>
  `${action}:${target?.address ?? ''}:${lead.id}`;
