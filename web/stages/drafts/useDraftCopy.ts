import type { Draft } from '@opsimath/contract/api/drafts';
import type { Limit } from '@opsimath/core/copy/draftFields';
import { useCallback, useEffect, useRef, useState } from 'react';
import { problemOf } from '../../state/api';
import { type Changed, DraftKeeper, type Keeping } from '../../state/draftKeeper';
import { draftsApi } from '../../state/draftsApi';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';

/** A draft as it is being written, and how far what was typed is kept. */
export function useDraftCopy(draft: Draft) {
  const { project } = useScope();
  const dispatch = useAppDispatch();
  const person = useAppSelector((state) => state.preferences.person);
  const [keeping, setKeeping] = useState<Keeping>('kept');
  const place = `opsimath.draft.${project}.${draft.id}`;
  const [keeper] = useState(
    () =>
      new DraftKeeper(
        async (change) => {
          const sent = dispatch(
            draftsApi.endpoints.changeDraft.initiate({
              project,
              id: draft.id,
              change: { ...change, person },
            }),
          );
          const answer = await sent;
          if (answer.data) return answer.data;
          const { code, message } = problemOf(answer.error);
          return code === 'changed-meanwhile' ? { clash: message } : { away: true };
        },
        draft.revision,
        {
          read: () => localStorage.getItem(place),
          write: (text) =>
            text === null ? localStorage.removeItem(place) : localStorage.setItem(place, text),
        },
        setKeeping,
      ),
  );
  const [copy, setCopy] = useState<Draft>(() => applied(draft, keeper.unsent()));
  const written = useRef(copy);

  const change = useCallback(
    (next: Changed): void => {
      written.current = applied(written.current, next);
      setCopy(written.current);
      keeper.change(next);
    },
    [keeper],
  );
  const setField = useCallback(
    (name: string, text: string) => change({ fields: { ...written.current.fields, [name]: text } }),
    [change],
  );
  const textOf = useCallback((name: string) => written.current.fields[name] ?? '', []);
  const setLimit = useCallback(
    (name: string, limit: Limit) => change({ limits: { ...written.current.limits, [name]: limit } }),
    [change],
  );
  useEffect(() => {
    const leave = (): void => void keeper.flush();
    leave();
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      void keeper.flush().then(() => keeper.rest());
    };
  }, [keeper]);

  return {
    copy,
    keeping,
    change,
    setField,
    setLimit,
    /** Text of a field as it was typed last, whatever is shown. */
    textOf,
    /** Gives up what was typed here for what stands there. */
    takeTheirs: () => {
      localStorage.removeItem(place);
      window.location.reload();
    },
  };
}
export type DraftCopy = ReturnType<typeof useDraftCopy>;

/** A draft with changes, as it is shown before they are kept. */
function applied(draft: Draft, { keywords, ...change }: Changed): Draft {
  const known = new Map(draft.keywords.map((keyword) => [keyword.id, keyword]));
  return {
    ...draft,
    ...change,
    ...(keywords && { keywords: keywords.flatMap((id) => known.get(id) ?? []) }),
  };
}
