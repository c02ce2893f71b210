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

const NOTHING: never[] = [];
/** From so many letters on keywords are looked for. */
const LEAST_LETTERS = 2;

export function CommandList({ onClose, onKeys }: { onClose: () => void; onKeys: () => void }) {
  const { project, comparison, scope } = useScope();
  const { search } = useLocation();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const theme = useAppSelector((state) => state.preferences.theme);
  const [typed, setTyped] = useState('');
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
      ...{ name: 'Keys of this screen', of: '?' },
      run: () => {
        onClose();
        onKeys();
      },
    },
    {
      ...{ name: theme === 'light' ? 'Dark theme' : 'Light theme', of: '' },
      run: () => {
        dispatch(chooseTheme(theme === 'light' ? 'dark' : 'light'));
        onClose();
      },
    },
  ].filter(({ name }) => name.toLowerCase().includes(typed.trim().toLowerCase()));
  return (
    <Command className="command" shouldFilter={false} loop>
      <Command.Input
        autoFocus
        value={typed}
        onValueChange={setTyped}
        placeholder="Any keyword; a stage, a list, a recipe, a target, a note"
      />
      <Command.List>
        <Command.Empty>{isFetching ? 'Looking…' : 'Nothing of that name.'}</Command.Empty>
        {!skip && keywords && keywords.hits.length > 0 && (
          <Command.Group heading="Keywords">
            {keywords.hits.map(({ id, text, kind, volume, own }) => (
              <Command.Item key={id} value={`keyword ${id}`} onSelect={() => open(id)}>
                {text}{' '}
                <span className="faint">
                  {kind}, {volume === null ? 'volume unknown' : `${count(volume)} a month`}, we{' '}
                  {typeof own === 'number' ? `at ${own}` : own}
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
        {actions.length > 0 && (
          <Command.Group heading="Actions">
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
