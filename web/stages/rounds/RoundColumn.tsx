import type { Round, Task } from '@opsimath/contract/api/rounds';
import { useDroppable } from '@dnd-kit/core';
import { CapacityRule } from './CapacityRule';
import { WorkCard } from './WorkCard';
import { daysWord, short, spanWord, warningsOf, whereOfTask } from './roundWords';

interface RoundColumnProps {
  round: Round;
  currency: string;
  isChosen: boolean;
  opened: number | null;
  laneOf: (id: number) => React.ReactNode;
  onChoose: () => void;
  onEdit: () => void;
  onOpen: (task: Task) => void;
  keysOf: (task: Task) => (event: React.KeyboardEvent) => void;
}

/** One round: its days as a rule, and its work. */
export function RoundColumn(props: RoundColumnProps) {
  const { round, currency, isChosen, opened, laneOf, onChoose, onEdit, onOpen, keysOf } = props;
  const { setNodeRef, isOver } = useDroppable({ id: `round ${round.id}`, data: { round: round.id } });
  return (
    <section
      ref={setNodeRef}
      className={`board-round${isOver ? ' drop-here' : ''}${isChosen ? ' chosen-round' : ''}`}
      aria-label={round.name}
      data-column={round.id}
    >
      <header>
        <h2>
          <button className="plain" aria-pressed={isChosen} title="Plan this round" onClick={onChoose}>
            {round.name}
          </button>
        </h2>
        <button className="plain soft written" title="Name, days, people" onClick={onEdit}>
          {spanWord(round)}
        </button>
      </header>
      <CapacityRule round={round} />
      <div className="board-cards">
        {round.tasks.map((task) => (
          <WorkCard
            key={task.id}
            id={`task ${task.id}`}
            carried={{ of: 'task', id: task.id, text: task.lead.text }}
            lead={task.lead.text}
            lane={laneOf(task.lead.id)}
            action={task.action}
            where={whereOfTask(task)}
            value={task.value}
            currency={currency}
            facts={[
              ...(task.person === '' ? [] : [task.person]),
              daysWord(task.effort),
              ...(task.due === null ? [] : [`due ${short(task.due)}`]),
              ...(task.twin === null ? [] : ['has a paid or organic twin']),
            ].join(' · ')}
            step={task.step}
            warnings={warningsOf(task, round)}
            isOpen={opened === task.id}
            onOpen={() => onOpen(task)}
            onKeyDown={keysOf(task)}
          />
        ))}
        <p className="board-drop soft">
          {round.tasks.length === 0 ? 'Carry work here, or press f to fill it' : 'Carry work here'}
        </p>
      </div>
    </section>
  );
}
