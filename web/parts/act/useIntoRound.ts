import { useTrouble } from '../words/useTrouble';
import { useMessages } from '../../state/messages';
import { request } from '../../state/operations';
import { roundsApi, usePickTasksMutation } from '../../state/roundsApi';
import { useAppDispatch } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** Puts keywords into the round that is on: what is best for each, or one new target for all of them. */
export function useIntoRound(project: number, ids: readonly number[]): (together: boolean) => Promise<void> {
  const dispatch = useAppDispatch();
  const message = useMessages();
  const trouble = useTrouble();
  const { comparison } = useScope();
  const [pick] = usePickTasksMutation();
  const undoable = useUndoable(project);
  return async (together) => {
    const { market, date, compare: before } = comparison;
    const scope = { market, date, ...(before !== undefined && { compare: before }) };
    const asked = dispatch(roundsApi.endpoints.rounds.initiate({ project, scope }));
    const { data } = await asked;
    asked.unsubscribe();
    const round = data?.rounds.find(({ ends }) => ends >= date) ?? data?.rounds.at(-1);
    if (!round) {
      void message.info(t('parts:useIntoRound.noRoundIsPlannedYetAdd'));
      return;
    }
    try {
      const { tasks } = await pick({
        project,
        round: round.id,
        scope,
        picks: ids.map((keyword) => ({ keyword })),
        together,
      }).unwrap();
      undoable({
        what: t('parts:useIntoRound.piecesIntoName', { pieces: pieces(tasks.length), name: round.name }),
        undo: request(roundsApi.endpoints.changeTasks, {
          project,
          changes: tasks.map((id) => ({ id, state: 'out' as const })),
        }),
        redo: request(roundsApi.endpoints.changeTasks, {
          project,
          changes: tasks.map((id) => ({ id, round: round.id })),
        }),
      });
      void message.info(
        t('parts:useIntoRound.piecesWentIntoNameCtrlZ', { pieces: pieces(tasks.length), name: round.name }),
      );
    } catch (error) {
      trouble(error);
    }
  };
}

const pieces = (count: number): string =>
  count === 1
    ? t('parts:useIntoRound.onePieceOfWork')
    : t('parts:useIntoRound.countShownPiecesOfWork', { countShown: count });
