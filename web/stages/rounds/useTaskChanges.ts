import type { Task, TaskChange } from '@opsimath/contract/api/rounds';
import { useMessages } from '../../state/messages';
import { request } from '../../state/operations';
import {
  roundsApi,
  useChangeTasksMutation,
  useFillRoundMutation,
  usePickTasksMutation,
} from '../../state/roundsApi';
import { useTrouble } from '../../parts/words/useTrouble';
import { undoStackOf, useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { useWorkScope } from './useWorkScope';
import { t } from '../../words/t';

/** Everything that moves work about, each with the way back. */
export function useTaskChanges() {
  const { project } = useScope();
  const scope = useWorkScope();
  const [changeTasks] = useChangeTasksMutation();
  const [fillRound, filling] = useFillRoundMutation();
  const [pickTasks] = usePickTasksMutation();
  const undoable = useUndoable(project);
  const message = useMessages();
  const trouble = useTrouble();

  const told = (what: string): void =>
    void message.open({
      content: t('rounds:useTaskChanges.whatCtrlZTakesItBack', { what }),
      duration: 5,
    });
  const out = (ids: readonly number[]): TaskChange[] => ids.map((id) => ({ id, state: 'out' }));
  const toChange = (changes: TaskChange[]) => request(roundsApi.endpoints.changeTasks, { project, changes });

  return {
    isFilling: filling.isLoading,
    undo: () => void undoStackOf(project).undo(),
    async change(what: string, changes: TaskChange[]): Promise<void> {
      try {
        const { back } = await changeTasks({ project, changes }).unwrap();
        undoable({ what, undo: toChange(back), redo: toChange(changes) });
      } catch (error) {
        trouble(error);
      }
    },
    async fill(round: number, rounds: number): Promise<void> {
      try {
        const filled = await fillRound({ project, round, scope, rounds }).unwrap();
        const { tasks } = filled;
        if (tasks.length === 0) {
          void message.info(t('rounds:useTaskChanges.nothingMoreFitsIntoItNo'));
          return;
        }
        // Done again, the same pieces of work come back into the rounds that they were in.
        undoable({
          what: t('rounds:useTaskChanges.tasksPiecesOfWorkPicked', { tasks: tasks.length }),
          undo: toChange(out(tasks)),
          redo: toChange(tasks.map((id) => ({ id, round }))),
        });
        told(
          t('rounds:useTaskChanges.tasksPiecesOfWorkPickedWhich', {
            tasks: tasks.length,
            which:
              rounds > 1 ? t('rounds:useTaskChanges.inRoundsRounds', { rounds: filled.rounds.length }) : '',
          }),
        );
      } catch (error) {
        trouble(error);
      }
    },
    async pick(round: number, lead: Task['lead'], action: Task['action'], place?: number): Promise<void> {
      try {
        const { tasks } = await pickTasks({
          project,
          round,
          scope,
          picks: [{ keyword: lead.id, action }],
        }).unwrap();
        if (place !== undefined)
          await changeTasks({ project, changes: tasks.map((id) => ({ id, place })) }).unwrap();
        undoable({
          what: t('rounds:useTaskChanges.textPicked', { text: lead.text }),
          undo: toChange(out(tasks)),
          redo: toChange(tasks.map((id) => ({ id, round }))),
        });
      } catch (error) {
        trouble(error);
      }
    },
  };
}
export type TaskChanges = ReturnType<typeof useTaskChanges>;
