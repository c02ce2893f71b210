import { useKeys } from '../parts/keys/useKeys';
import { useMessages } from '../state/messages';
import { problemOf } from '../state/api';
import { undoStackOf } from '../state/undoStacks';
import { t } from '../words/t';

const SECONDS = 3;

/** Takes the last thing done in a project back, or does it again, wherever one is; what it was is said. */
export function useUndoKeys(project: number): void {
  const message = useMessages();
  const told = (act: Promise<string | null>, done: string, nothing: string): void => {
    void act.then(
      (what) => void message.info(what === null ? nothing : `${done}: ${what}.`, SECONDS),
      (error: unknown) => void message.warning(problemOf(error).message, SECONDS),
    );
  };
  useKeys(
    'mod+z',
    () =>
      told(
        undoStackOf(project).undo(),
        t('shell:useUndoKeys.takenBack'),
        t('shell:useUndoKeys.thereIsNothingToTakeBack'),
      ),
    [project],
  );
  useKeys(
    ['mod+y', 'mod+shift+z'],
    () =>
      told(
        undoStackOf(project).redo(),
        t('shell:useUndoKeys.doneAgain'),
        t('shell:useUndoKeys.thereIsNothingToDoAgain'),
      ),
    [project],
  );
}
