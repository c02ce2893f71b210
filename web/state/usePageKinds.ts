import { type PageKind, pageKind } from '@opsimath/core/text/pageKind';
import { projectApi, useChangeProjectMutation, useProjectsQuery } from './projectApi';
import { request } from './operations';
import { useAppSelector } from './store';
import { useUndoable } from './undoStacks';
import { useScope } from './useScope';
import { t } from '../words/t';

/** What kind of page an address is, by path or as somebody said, and how to say otherwise; that can be taken back. */
export function usePageKinds(): {
  kindOf: (address: string) => PageKind;
  /** Whether somebody said it by hand. */
  isSaid: (address: string) => boolean;
  say: (address: string, kind: PageKind | 'by rule') => void;
} {
  const { project } = useScope();
  const { data } = useProjectsQuery();
  const [keep] = useChangeProjectMutation();
  const undoable = useUndoable(project);
  const person = useAppSelector((state) => state.preferences.person);
  const entry = data?.find(({ id }) => id === project);
  const said = entry?.settings.pageKinds ?? {};
  const saidOf = (address: string): PageKind | 'by rule' =>
    (Object.hasOwn(said, address) ? said[address] : undefined) ?? 'by rule';
  return {
    kindOf: (address) => pageKind(address, entry?.settings.pagePaths, said),
    isSaid: (address) => saidOf(address) !== 'by rule',
    say: (address, kind) => {
      const change = (to: PageKind | 'by rule') => ({
        project,
        settings: { pageKinds: { [address]: to } },
        person,
      });
      const before = saidOf(address);
      void keep(change(kind))
        .unwrap()
        .then(
          () => {
            const { changeProject } = projectApi.endpoints;
            undoable({
              what: t('shell:usePageKinds.kindOfPageSaid'),
              undo: request(changeProject, change(before)),
              redo: request(changeProject, change(kind)),
            });
          },
          () => undefined,
        );
    },
  };
}
