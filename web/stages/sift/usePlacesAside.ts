import type { KeywordList } from '@opsimath/contract/api/lists';
import { useProjectsQuery } from '../../state/projectApi';
import { request } from '../../state/operations';
import { useTargetsQuery } from '../../state/rosterApi';
import { roundsApi, useAnswerByMutation } from '../../state/roundsApi';
import { siftApi, useAddListMutation, useChangeListMutation, useListsQuery } from '../../state/siftApi';
import { newList } from '../../state/newList';
import { useAppDispatch, useAppSelector } from '../../state/store';
import type { Done } from '../../state/undo';
import { surfaceOf } from '../../state/surfaceOf';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

interface Keyword {
  id: number;
  text: string;
}
/** Where a side topic can be kept. */
export interface PlaceAside {
  value: string;
  label: string;
  /** Puts a keyword there; gives the step that takes it back. */
  put: (keyword: Keyword) => Promise<Done>;
}
export interface PlacesAside {
  label: string;
  options: PlaceAside[];
}

/** Lists of this market here, targets of ours that could answer instead, and other projects, which keep a list for it. */
export function usePlacesAside(market: string): PlacesAside[] {
  const lists = useListPlaces(market);
  const targets = useTargetPlaces(market);
  const projects = useProjectPlaces(market);
  return [
    { label: t('sift:usePlacesAside.lists'), options: lists },
    { label: t('sift:usePlacesAside.ourTargetsToAnswerIt'), options: targets },
    { label: t('sift:usePlacesAside.otherProjects'), options: projects },
  ].filter(({ options }) => options.length > 0);
}

function useListPlaces(market: string): PlaceAside[] {
  const { project } = useScope();
  const { data: lists } = useListsQuery(project);
  const into = useIntoList();
  return open(lists ?? [], market).map((list) => ({
    value: `list ${list.id}`,
    label: list.name,
    put: (keyword) => into(project, list, keyword),
  }));
}

const open = (lists: readonly KeywordList[], market: string): KeywordList[] =>
  lists.filter((list) => list.market === market && !list.locked);

function useIntoList(): (project: number, list: KeywordList, keyword: Keyword) => Promise<Done> {
  const person = useAppSelector((state) => state.preferences.person);
  const [change] = useChangeListMutation();
  return async (project, list, keyword) => {
    const one = (what: 'add' | 'remove') => ({
      project,
      list: list.id,
      change: { [what]: [keyword.id], person },
    });
    await change(one('add')).unwrap();
    const { changeList } = siftApi.endpoints;
    return {
      what: t('sift:usePlacesAside.textIntoName', { text: keyword.text, name: list.name }),
      undo: request(changeList, one('remove')),
      redo: request(changeList, one('add')),
    };
  };
}

function useTargetPlaces(market: string): PlaceAside[] {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const { data: targets } = useTargetsQuery(project);
  const [answerBy] = useAnswerByMutation();
  const own = (targets ?? []).filter(
    ({ side, surface, parent }) => side === 'own' && parent !== null && surface === surfaceOf(market),
  );
  return own.map(({ id, name, address }) => ({
    value: `target ${id}`,
    label: name,
    put: async (keyword) => {
      const by = (to: string | null) => ({ project, keyword: keyword.id, address: to, person });
      await answerBy(by(address)).unwrap();
      const { answerBy: endpoint } = roundsApi.endpoints;
      return {
        what: t('sift:usePlacesAside.textToBeAnsweredByName', { text: keyword.text, name }),
        undo: request(endpoint, by(null)),
        redo: request(endpoint, by(address)),
      };
    },
  }));
}

/** Another project keeps what comes from here in a list of its own, made at the first keyword. */
function useProjectPlaces(market: string): PlaceAside[] {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const { data: projects } = useProjectsQuery();
  const [add] = useAddListMutation();
  const into = useIntoList();
  const dispatch = useAppDispatch();
  const here = projects?.find(({ id }) => id === project)?.name ?? '';
  const name = t('sift:usePlacesAside.fromHere', { here });
  return (projects ?? [])
    .filter(({ id }) => id !== project)
    .map((other) => ({
      value: `project ${other.id}`,
      label: other.name,
      put: async (keyword) => {
        const held = await dispatch(
          siftApi.endpoints.lists.initiate(other.id, { subscribe: false, forceRefetch: true }),
        ).unwrap();
        const list = open(held, market).find((each) => each.name === name);
        if (list) return into(other.id, list, keyword);
        const first = {
          name,
          market,
          keywords: [keyword.id],
          origin: t('sift:usePlacesAside.putAsideInHere', { here }),
          person,
        };
        const made = await add({ project: other.id, list: first }).unwrap();
        return newList(
          other.id,
          made,
          t('sift:usePlacesAside.textIntoNameOfName2', { text: keyword.text, name, name2: other.name }),
        );
      },
    }));
}
