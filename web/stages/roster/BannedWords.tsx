import type { BannedWord } from '@opsimath/contract/api/targets';
import { LANGUAGES } from '@opsimath/core/text/stems';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { NoteMark } from '../../parts/notes/NoteMark';
import { Problem } from '../../parts/words/Problem';
import {
  useAddBannedWordMutation,
  useBannedWordsQuery,
  useRemoveBannedWordMutation,
} from '../../state/rosterApi';
import { useScope } from '../../state/useScope';

const LEVELS = [
  { value: 'forbidden', label: 'forbidden' },
  { value: 'doubtful', label: 'doubtful' },
] as const;
const SURFACES = [
  { value: '', label: 'every surface' },
  { value: 'web', label: 'web' },
  { value: 'video', label: 'video' },
  { value: 'marketplace', label: 'marketplace' },
] as const;

/** The project's one list of words that are not to be used, each with its level and reason. */
export function BannedWords() {
  const { project } = useScope();
  const { data: words, error } = useBannedWordsQuery(project);
  const [remove] = useRemoveBannedWordMutation();
  return (
    <section className="section">
      <h2>Words not to use</h2>
      <p className="soft">
        Keywords that hold one are marked wherever they are shown. Nothing is removed; you decide.
      </p>
      <AddWord />
      {error && <Problem error={error} />}
      {words && words.length > 0 && (
        <table className="ledger">
          <thead>
            <tr>
              <th>Word or phrase</th>
              <th>Level</th>
              <th>Where</th>
              <th>Reason</th>
              <th>Notes</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {words.map(({ id, text, level, surface, language, reason }) => (
              <tr key={id}>
                <td>
                  <b>{text}</b>
                </td>
                <td>{level}</td>
                <td>{[surface || 'every surface', language].filter(Boolean).join(', ')}</td>
                <td>{reason}</td>
                <td>
                  <NoteMark project={project} subject={{ on: 'word', word: text }} of={text} />
                </td>
                <td className="figure">
                  <button className="plain soft written" onClick={() => void remove({ project, id })}>
                    allow again
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function AddWord() {
  const { project } = useScope();
  const [add, { isLoading, error }] = useAddBannedWordMutation();
  const [word, setWord] = useState<Omit<BannedWord, 'id'>>({
    text: '',
    level: 'forbidden',
    surface: '',
    language: '',
    reason: '',
  });
  const change = (next: Partial<typeof word>): void => setWord((current) => ({ ...current, ...next }));
  const submit = async (): Promise<void> => {
    await add({ project, word }).unwrap();
    change({ text: '', reason: '' });
  };
  return (
    <form
      className="find-form"
      onSubmit={(event) => {
        event.preventDefault();
        void submit().catch(() => undefined);
      }}
    >
      <Input
        aria-label="Word or phrase"
        placeholder="Word or phrase"
        value={word.text}
        maxLength={200}
        style={{ width: 180 }}
        onChange={(event) => change({ text: event.target.value })}
      />
      <Select
        aria-label="Level"
        value={word.level}
        options={[...LEVELS]}
        onChange={(level) => change({ level })}
      />
      <Select
        aria-label="Surface"
        value={word.surface}
        options={[...SURFACES]}
        popupMatchSelectWidth={false}
        onChange={(surface) => change({ surface })}
      />
      <Select
        aria-label="Language"
        value={word.language}
        options={[
          { value: '', label: 'every language' },
          ...LANGUAGES.map((value) => ({ value, label: LANGUAGE_NAMES[value] })),
        ]}
        popupMatchSelectWidth={false}
        onChange={(language: string) => change({ language })}
      />
      <Input
        aria-label="Reason"
        placeholder="Reason: not allowed in this category, a trade mark…"
        value={word.reason}
        maxLength={500}
        style={{ width: 320 }}
        onChange={(event) => change({ reason: event.target.value })}
      />
      <Button htmlType="submit" type="primary" loading={isLoading} disabled={word.text.trim() === ''}>
        Add
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
