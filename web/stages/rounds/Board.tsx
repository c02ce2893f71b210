import type { Round, RoundsView, Task, TaskChange } from '@opsimath/contract/api/rounds';
import type { Action } from '@opsimath/core/gap/action';
import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { OpenDossier } from '../../parts/dossier/OpenDossier';
import { useKeys } from '../../parts/keys/useKeys';
import { useRoundPlanQuery } from '../../state/roundsApi';
import { useScope } from '../../state/useScope';
import { BoardHead } from './BoardHead';
import { BoardSide } from './BoardSide';
import { QueueColumn } from './QueueColumn';
import { RoundColumn } from './RoundColumn';
import { RoundForm } from './RoundForm';
import { TaskPanel } from './TaskPanel';
import type { Carried } from './WorkCard';
import { moveFocus } from './moveFocus';
import { placeBefore } from './placeBefore';
import { useLeadLanes } from './useLeadLanes';
import { useTaskChanges } from './useTaskChanges';
import { useWorkScope } from './useWorkScope';
import { t } from '../../words/t';

/** The queue, and beside it the rounds as columns of work. */
export function Board({ view }: { view: RoundsView }) {
  const { project, scope, change } = useScope();
  const work = useWorkScope();
  const changes = useTaskChanges();
  const [carried, carry] = useState<Carried | null>(null);
  const [edited, edit] = useState<Round | 'new' | null>(null);
  const { rounds, queue } = view;
  const chosen = chosenRound(rounds, scope.round, work.date);
  const { data: plan, isFetching: planning } = useRoundPlanQuery(
    { project, round: chosen?.id ?? 0, scope: work },
    { skip: chosen === undefined },
  );
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const leads = useMemo(
    () => [
      ...rounds.flatMap(({ tasks }) => tasks.map(({ lead }) => lead.id)),
      ...queue.lines.map(({ lead }) => lead.id),
    ],
    [rounds, queue],
  );
  const laneOf = useLeadLanes(leads);
  const tasks = [...rounds.flatMap((round) => round.tasks), ...view.aside];
  const opened = tasks.find(({ id }) => id === scope.task);
  useKeys('f', () => chosen && void changes.fill(chosen.id, 1), [chosen?.id]);

  const drop = ({ active, over }: DragEndEvent): void => {
    carry(null);
    const what = active.data.current as Carried | undefined;
    const where = over?.data.current as { round?: number; queue?: true; before?: Carried } | undefined;
    if (what === undefined || where === undefined) return;
    const before =
      where.before?.of === 'task' ? tasks.find(({ id }) => id === idOf(where.before)) : undefined;
    const round = where.round ?? before?.round ?? undefined;
    if (where.queue || where.before?.of === 'queue') {
      if (what.of === 'task')
        void changes.change(t('rounds:Board.textBackToTheQueue', { text: what.text }), [
          { id: what.id, state: 'out' },
        ]);
      return;
    }
    if (round === undefined || (what.of === 'task' && what.id === before?.id)) return;
    const held = rounds.find(({ id }) => id === round)!.tasks;
    const place = placeBefore(held, before?.id);
    if (what.of === 'queue')
      void changes.pick(round, { id: what.keyword, text: what.text }, what.action as Action, place);
    else
      void changes.change(t('rounds:Board.textMoved', { text: what.text }), [{ id: what.id, round, place }]);
  };
  const keysOf = (task: Task) => (event: React.KeyboardEvent) => {
    const done = taskKey(event, task, rounds);
    if (done === 'open') change({ task: task.id });
    else if (done !== null)
      void changes.change(t('rounds:Board.textMoved', { text: task.lead.text }), [done]);
    else moveFocus(event);
  };
  return (
    <>
      <BoardHead
        view={view}
        round={chosen}
        plan={planning ? undefined : plan}
        isFilling={changes.isFilling}
        onFill={(rounds) => chosen && void changes.fill(chosen.id, rounds)}
      />
      <DndContext
        sensors={sensors}
        collisionDetection={pointerWithin}
        onDragStart={({ active }) => carry((active.data.current as Carried | undefined) ?? null)}
        onDragCancel={() => carry(null)}
        onDragEnd={drop}
      >
        <div className="board">
          <QueueColumn
            view={view}
            plan={plan}
            round={chosen}
            laneOf={laneOf}
            onPick={(round, lead, action) => void changes.pick(round, lead, action)}
            rounds={rounds}
          />
          <div className="board-rounds">
            {rounds.map((round) => (
              <RoundColumn
                key={round.id}
                round={round}
                currency={view.currency}
                isChosen={round.id === chosen?.id}
                opened={scope.task}
                laneOf={laneOf}
                onChoose={() => change({ round: round.id }, { replace: true })}
                onEdit={() => edit(round)}
                onOpen={(task) => change({ task: task.id === scope.task ? null : task.id, open: null })}
                keysOf={keysOf}
              />
            ))}
            <section className="board-new">
              <Button onClick={() => edit('new')}>{t('rounds:Board.addARound')}</Button>
            </section>
          </div>
          {opened ? (
            <TaskPanel
              key={opened.id}
              task={opened}
              view={view}
              changes={changes}
              onClose={() => change({ task: null })}
            />
          ) : scope.open !== null ? (
            <OpenDossier />
          ) : (
            <BoardSide view={view} plan={plan} changes={changes} />
          )}
        </div>
        <DragOverlay dropAnimation={null}>
          {carried && <div className="work-card overlay serif">{carried.text}</div>}
        </DragOverlay>
      </DndContext>
      {edited !== null && (
        <RoundForm
          round={edited === 'new' ? null : edited}
          after={rounds.at(-1)}
          onClose={() => edit(null)}
        />
      )}
    </>
  );
}

const idOf = (carried: Carried | undefined): number => (carried?.of === 'task' ? carried.id : 0);

/** The round of the address, else the first that is not over and has room, else the last. */
export function chosenRound(
  rounds: readonly Round[],
  wanted: number | null,
  date: string,
): Round | undefined {
  const named = rounds.find(({ id }) => id === wanted);
  const open = rounds.find(
    ({ ends, tasks, most, days, people }) =>
      ends >= date &&
      tasks.length < most &&
      days < people.reduce((sum, person) => sum + person.days, 0) - 0.1,
  );
  return named ?? open ?? rounds.at(-1);
}

/** What a key does to the task that has the focus: a change, that it opens, or nothing. */
function taskKey(
  event: React.KeyboardEvent,
  task: Task,
  rounds: readonly Round[],
): TaskChange | 'open' | null {
  const { key, altKey, ctrlKey, metaKey } = event;
  if (ctrlKey || metaKey) return null;
  const took = <T,>(value: T): T => {
    event.preventDefault();
    return value;
  };
  if (key === 'Enter') return took('open' as const);
  if (key === 'q') return took({ id: task.id, state: 'out' as const });
  const held = rounds.find(({ id }) => id === task.round)?.tasks ?? [];
  if (altKey && (key === 'ArrowUp' || key === 'ArrowDown')) {
    const at = held.findIndex(({ id }) => id === task.id);
    const before = key === 'ArrowUp' ? held[at - 1] : held[at + 2];
    if (key === 'ArrowUp' ? at === 0 : at === held.length - 1) return took(null);
    return took({
      id: task.id,
      place: placeBefore(
        held.filter(({ id }) => id !== task.id),
        before?.id,
      ),
    });
  }
  const wanted = /^[1-9]$/.test(key) ? rounds[Number(key) - 1] : undefined;
  return wanted && wanted.id !== task.round
    ? took({ id: task.id, round: wanted.id, place: placeBefore(wanted.tasks, undefined) })
    : null;
}
