import { useCallback, useMemo } from 'react';
import { useAppDispatch, useAppSelector } from './store';
import { toggle } from './tray';
import { usePickedFrom } from './usePickedFrom';
import { useScope } from './useScope';

const NOTHING: { id: number }[] = [];

/** Which keywords are in the tray, and how one is put in or taken out. */
export function useTraySelection(): {
  selected: ReadonlySet<number>;
  select: (row: { id: number; text: string }) => void;
} {
  const { project } = useScope();
  const from = usePickedFrom();
  const dispatch = useAppDispatch();
  const tray = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const selected = useMemo(() => new Set(tray.map((keyword) => keyword.id)), [tray]);
  const select = useCallback(
    ({ id, text }: { id: number; text: string }) =>
      void dispatch(toggle({ project, keyword: { id, text, from } })),
    [dispatch, project, from],
  );
  return { selected, select };
}
