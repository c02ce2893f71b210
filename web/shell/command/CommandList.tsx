import { Command } from 'cmdk';
import { useDeferredValue, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { count } from '../../parts/words/figures';
import { useLookUpsQuery } from '../../state/lookUpApi';
import { useNotesQuery } from '../../state/notesApi';
import { chooseTheme } from '../../state/preferences';
import { useReportsQuery } from '../../state/reportsApi';
import { useTargetsQuery } from '../../state/rosterApi';
import { useListsQuery, useRecipesQuery } from '../../state/siftApi';
import { useKeywordHitsQuery } from '../../state/standingApi';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { type Fetched, Fetching, NewKeyword } from './NewKeyword';
import { foundFor } from './found';
import { screenButtons } from './screenButtons';
import { useMarked } from './useMarked';
import { t, wordOf } from '../../words/t';

const NOTHING: never[] = [];
/** From so many letters on keywords are looked for. */
const LEAST_LETTERS = 2;
const MOST_ON_SCREEN = 8;

interface CommandListProps {
  begun: () => string;
  onClose: () => void;
  onKeys: () => void;
}

export function CommandList({ begun, onClose, onKeys }: CommandListProps) {
  const { project, comparison, scope } = useScope();
  const { search } = useLocation();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const theme = useAppSelector((state) => state.preferences.theme);
  const [typed, setTyped] = useState(begun);
  const [onScreen] = useState(screenButtons);
  const [fetched, fetchIt] = useState<Fetched | null>(null);
  const sought = useDeferredValue(typed.trim());
  const skip = sought.length < LEAST_LETTERS || scope.market === '';
  const { market, date, compare } = comparison;
  const { currentData: keywords, isFetching } = useKeywordHitsQuery(
    { project, query: { market, date, compare, text: sought } },
    { skip },
  );
  const groups = foundFor(typed, search, {
    targets: useTargetsQuery(project).data ?? NOTHING,
    lists: useListsQuery(project).data ?? NOTHING,
    recipes: useRecipesQuery(project).data ?? NOTHING,
    lookUps: useLookUpsQuery(project).data ?? NOTHING,
    reports: useReportsQuery(project).data ?? NOTHING,
    notes: useNotesQuery(project).data ?? NOTHING,
  });
  const go = (path: string): void => {
    onClose();
    void navigate(`/p/${project}/${path}`);
  };
  /** The dossier of a keyword, among all of the market: whatever narrows the gaps is let go of. */
  const open = (id: number): void =>
    go(
      `gaps?${new URLSearchParams({ market, date, compare: scope.compare, own: scope.own, open: String(id) })}`,
    );
  const actions = [
    {
      ...{ name: t('shell:Tour.tourInTenSteps'), of: '' },
      run: () =>
        go(
          `roster?${new URLSearchParams({ ...Object.fromEntries(new URLSearchParams(search)), tour: '1' })}`,
        ),
    },
    {
      ...{ name: t('shell:CommandList.keysOfThisScreen'), of: '?' },
      run: () => {
        onClose();
        onKeys();
      },
    },
    {
      ...{
        name: theme === 'light' ? t('shell:CommandList.darkTheme') : t('shell:CommandList.lightTheme'),
        of: '',
      },
      run: () => {
        dispatch(chooseTheme(theme === 'light' ? 'dark' : 'light'));
        onClose();
      },
    },
  ].filter(({ name }) => name.toLowerCase().includes(typed.trim().toLowerCase()));
  const pressable =
    sought.length < LEAST_LETTERS
      ? NOTHING
      : onScreen
          .filter(({ name }) => name.toLowerCase().includes(sought.toLowerCase()))
          .slice(0, MOST_ON_SCREEN)
          .map((button) => ({ ...button, key: `press ${button.name}` }));
  const hits = skip ? NOTHING : (keywords?.hits ?? NOTHING);
  const marked = useMarked(
    typed,
    hits[0]
      ? `keyword ${hits[0].id}`
      : (groups[0]?.found[0]?.key ?? pressable[0]?.key ?? actions[0]?.name ?? 'new keyword'),
  );
  return (
    <Command className="command" shouldFilter={false} loop {...marked}>
      <Command.Input
        autoFocus
        value={typed}
        onValueChange={setTyped}
        placeholder={t('shell:CommandList.anyKeywordAStageAList')}
      />
      <Command.List>
        <Command.Empty>
          {isFetching ? t('shell:CommandList.looking') : t('shell:CommandList.nothingOfThatName')}
        </Command.Empty>
        {hits.length > 0 && (
          <Command.Group heading={t('shell:CommandList.keywords')}>
            {hits.map(({ id, text, kind, volume, own }) => (
              <Command.Item key={id} value={`keyword ${id}`} onSelect={() => open(id)}>
                {text}{' '}
                <span className="faint">
                  {t('shell:CommandList.kindWhichWeWhich2', {
                    kind: wordOf(kind),
                    which:
                      volume === null
                        ? t('shell:CommandList.volumeUnknown')
                        : t('shell:CommandList.volumeAMonth', { volume: count(volume) }),
                    which2: typeof own === 'number' ? t('shell:CommandList.atOwn', { own }) : wordOf(own),
                  })}
                </span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {fetched && <Fetching fetched={fetched} onKnown={open} />}
        {!skip && !fetched && keywords?.exact === null && <NewKeyword text={sought} onFetch={fetchIt} />}
        {groups.map(({ heading, found }) => (
          <Command.Group key={heading} heading={heading}>
            {found.map(({ key, name, of, path }) => (
              <Command.Item key={key} value={key} onSelect={() => go(path)}>
                {name} <span className="faint">{of}</span>
              </Command.Item>
            ))}
          </Command.Group>
        ))}
        {pressable.length > 0 && (
          <Command.Group heading={t('shell:found.onThisScreen')}>
            {pressable.map(({ key, name, press }) => (
              <Command.Item
                key={key}
                value={key}
                onSelect={() => {
                  onClose();
                  // Once the box is gone: what opens then is not closed with it.
                  setTimeout(press);
                }}
              >
                {name}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {actions.length > 0 && (
          <Command.Group heading={t('shell:CommandList.actions')}>
            {actions.map(({ name, of, run }) => (
              <Command.Item key={name} value={name} onSelect={run}>
                {name} <span className="faint">{of}</span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
      </Command.List>
    </Command>
  );
}
