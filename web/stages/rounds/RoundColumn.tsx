import type { Round, Task } from '@opsimath/contract/api/rounds';
import { useDroppable } from '@dnd-kit/core';
import { CapacityRule } from './CapacityRule';
import { WorkCard } from './WorkCard';
import { daysWord, short, spanWord, warningsOf, whereOfTask } from './roundWords';
import { t, wordOf } from '../../words/t';

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
          <button
            className="plain"
            aria-pressed={isChosen}
            title={t('rounds:RoundColumn.planThisRound')}
            onClick={onChoose}
          >
            {round.name}
          </button>
        </h2>
        <button
          className="plain soft written"
          title={t('rounds:RoundColumn.nameDaysPeople')}
          onClick={onEdit}
        >
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
            action={wordOf(task.action)}
            where={whereOfTask(task)}
            value={task.value}
            currency={currency}
            facts={[
              ...(task.person === '' ? [] : [task.person]),
              daysWord(task.effort),
              ...(task.due === null ? [] : [t('rounds:RoundColumn.dueShort', { short: short(task.due) })]),
              ...(task.twin === null ? [] : [t('rounds:RoundColumn.hasAPaidOrOrganicTwin')]),
            ].join(' · ')}
            step={task.step}
            warnings={warningsOf(task, round)}
            isOpen={opened === task.id}
            onOpen={() => onOpen(task)}
            onKeyDown={keysOf(task)}
          />
        ))}
        <p className="board-drop soft">
          {round.tasks.length === 0
            ? t('rounds:RoundColumn.carryWorkHereOrPressF')
            : t('rounds:RoundColumn.carryWorkHere')}
        </p>
      </div>
    </section>
  );
}
