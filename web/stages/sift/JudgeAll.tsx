import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftQuery } from '@opsimath/contract/api/sift';
import { Button, Dropdown } from 'antd';
import { count, counted } from '../../parts/words/figures';
import { useMessages } from '../../state/messages';
import { problemOf } from '../../state/api';
import { useJudgeAllMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { VERDICT_KEYS } from '../../parts/act/verdictKeys';
import { t } from '../../words/t';

const SHOWN = ['f', 'a', 'o', 'u'];

interface JudgeAllProps {
  lookUp: LookUp;
  /** How many come through; `undefined` until that is known. */
  total: number | undefined;
  query: Pick<SiftQuery, 'steps' | 'rescued' | 'find'>;
  children: React.ReactNode;
  /** A plain word within a table rather than a button. */
  plain?: boolean;
}

/** One verdict for all that comes through, as one step that can be taken back. */
export function JudgeAll({ lookUp, total, query, children, plain }: JudgeAllProps) {
  const { project } = useScope();
  const message = useMessages();
  const person = useAppSelector((state) => state.preferences.person);
  const [judgeAll, { isLoading }] = useJudgeAllMutation();
  const undoable = useUndoable(project);
  const act = async (pressed: string): Promise<void> => {
    const { verdict, word } = VERDICT_KEYS[pressed]!;
    const { steps, rescued, find } = query;
    const ask = { lookUp: lookUp.id, judgement: { query: { steps, rescued, find }, verdict, person } };
    const { id, after } = await judgeAll(ask).unwrap();
    const step = { takesBack: id, project, stood: [] };
    undoable({
      what: t('sift:JudgeAll.afterAtOnceWord', { after: count(after.length), word }),
      undo: step,
      redo: step,
    });
    void message.info(
      t('sift:JudgeAll.keywordsWhichWordNowUndoTakes', {
        keywords: counted(after.length, 'keyword'),
        which: after.length === 1 ? t('sift:JudgeAll.is') : t('sift:JudgeAll.are'),
        word,
      }),
    );
  };
  return (
    <Dropdown
      autoFocus
      trigger={['click']}
      menu={{
        items: SHOWN.map((pressed) => ({
          key: pressed,
          label: t('sift:JudgeAll.allTotalWord', { total: count(total), word: VERDICT_KEYS[pressed]!.word }),
        })),
        onClick: ({ key }) =>
          void act(key).catch((error: unknown) => {
            const { message: what, todo } = problemOf(error);
            void message.error(todo ? `${what} ${todo}` : what);
          }),
      }}
    >
      {plain ? (
        <button className="plain written" disabled={isLoading}>
          {children}
        </button>
      ) : (
        <Button size="small" loading={isLoading} disabled={!total}>
          {children}
        </Button>
      )}
    </Dropdown>
  );
}
