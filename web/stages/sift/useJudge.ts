import type { Judgement } from '@opsimath/contract/api/sift';
import { useJudgeMutation } from '../../state/siftApi';
import { useAppSelector } from '../../state/store';
import { undoStackOf } from '../../state/undo';
import { useScope } from '../../state/useScope';

/** Judges keywords; each judgement can be taken back to what stood before, whoever had said it. */
export function useJudge(): (changes: Judgement[], what: string) => Promise<void> {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [judge] = useJudgeMutation();
  return async (changes, what) => {
    const { before } = await judge({ project, changes, person }).unwrap();
    undoStackOf(project).push({
      what,
      undo: () =>
        judge({
          project,
          changes: before.map(({ keyword, verdict, parked, reason }) => ({
            keyword,
            verdict,
            parked,
            reason,
          })),
          person: before[0]?.person ?? person,
        }).unwrap(),
      redo: () => judge({ project, changes, person }).unwrap(),
    });
  };
}
