import type { Note } from '@opsimath/contract/api/notes';
import { Modal } from 'antd';
import { Command } from 'cmdk';
import { useDeferredValue, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useGapPageQuery } from '../state/gapsApi';
import { useNotesQuery } from '../state/notesApi';
import { useTargetsQuery } from '../state/rosterApi';
import { chooseTheme } from '../state/preferences';
import { useAppDispatch, useAppSelector } from '../state/store';
import { useScope } from '../state/useScope';
import { STAGES } from './stages';

const MOST_FOUND = 8;

/** Ctrl+K: go to a stage, find a keyword or target, run an action. */
export function CommandBox({ onClose, onKeys }: { onClose: () => void; onKeys: () => void }) {
  return (
    <Modal
      open
      onCancel={onClose}
      footer={null}
      closable={false}
      destroyOnHidden
      width={560}
      style={{ top: 90 }}
      aria-label="Go to"
    >
      <CommandList onClose={onClose} onKeys={onKeys} />
    </Modal>
  );
}

/** Where the thing that a note is about can be seen. */
function placeOf({ subject, market }: Note, search: string): string {
  const params = new URLSearchParams(search);
  if (market !== null) params.set('market', market);
  if ('keyword' in subject) {
    params.set('open', String(subject.keyword));
    params.delete('pool');
    return `gaps?${params}`;
  }
  if (subject.on === 'target') params.set('target', String(subject.target));
  if (subject.on === 'word') params.set('view', 'words');
  return `roster?${params}`;
}

function CommandList({ onClose, onKeys }: { onClose: () => void; onKeys: () => void }) {
  const { project, comparison, scope } = useScope();
  const { search } = useLocation();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const theme = useAppSelector((state) => state.preferences.theme);
  const [typed, setTyped] = useState('');
  const sought = useDeferredValue(typed.trim());
  const { data: found, isFetching } = useGapPageQuery(
    { project, query: { ...comparison, find: sought, limit: MOST_FOUND, sort: 'volume' } },
    { skip: sought.length < 2 || scope.market === '' },
  );
  const { data: targets } = useTargetsQuery(project);
  const go = (path: string): void => {
    onClose();
    void navigate(path);
  };
  const fits = (text: string): boolean => text.toLowerCase().includes(typed.trim().toLowerCase());
  const stages = STAGES.filter((stage) => fits(stage.name));
  const foundTargets = (targets ?? []).filter(
    (target) => typed.trim() !== '' && (fits(target.name) || fits(target.address)),
  );
  const { data: notes } = useNotesQuery(project);
  const foundNotes = (notes ?? []).filter(
    (note) => sought.length >= 2 && (fits(note.text) || fits(note.about) || fits(note.person)),
  );
  const actions = ['keys of this screen', 'light dark theme'].filter(fits);
  return (
    <Command className="command" shouldFilter={false} loop>
      <Command.Input
        autoFocus
        value={typed}
        onValueChange={setTyped}
        placeholder="A stage, a keyword, a target, a note, an action"
      />
      <Command.List>
        <Command.Empty>{isFetching ? 'Looking…' : 'Nothing of that name in this scope.'}</Command.Empty>
        {stages.length > 0 && (
          <Command.Group heading="Stages">
            {stages.map((stage) => (
              <Command.Item
                key={stage.path}
                value={stage.path}
                onSelect={() => go(`/p/${project}/${stage.path}${search}`)}
              >
                {stage.name} <span className="faint">g then {stage.letter}</span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {sought.length >= 2 && found && found.rows.length > 0 && (
          <Command.Group heading="Keywords">
            {found.rows.map((row) => {
              const params = new URLSearchParams(search);
              params.set('open', String(row.id));
              return (
                <Command.Item
                  key={row.id}
                  value={`keyword ${row.id}`}
                  onSelect={() => go(`/p/${project}/gaps?${params}`)}
                >
                  {row.text} <span className="faint">{row.kind}</span>
                </Command.Item>
              );
            })}
          </Command.Group>
        )}
        {foundTargets.length > 0 && (
          <Command.Group heading="Targets">
            {foundTargets.map((target) => (
              <Command.Item
                key={target.id}
                value={`target ${target.id}`}
                onSelect={() => go(`/p/${project}/roster${search}`)}
              >
                {target.name} <span className="faint">{target.address}</span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {foundNotes.length > 0 && (
          <Command.Group heading="Notes">
            {foundNotes.slice(0, MOST_FOUND).map((note) => (
              <Command.Item
                key={note.id}
                value={`note ${note.id}`}
                onSelect={() => go(`/p/${project}/${placeOf(note, search)}`)}
              >
                {note.text} <span className="faint">{note.about}</span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {actions.length > 0 && (
          <Command.Group heading="Actions">
            {fits('keys of this screen') && (
              <Command.Item
                value="keys"
                onSelect={() => {
                  onClose();
                  onKeys();
                }}
              >
                Keys of this screen <span className="faint">?</span>
              </Command.Item>
            )}
            {fits('light dark theme') && (
              <Command.Item
                value="theme"
                onSelect={() => {
                  dispatch(chooseTheme(theme === 'light' ? 'dark' : 'light'));
                  onClose();
                }}
              >
                {theme === 'light' ? 'Dark' : 'Light'} theme
              </Command.Item>
            )}
          </Command.Group>
        )}
      </Command.List>
    </Command>
  );
}
