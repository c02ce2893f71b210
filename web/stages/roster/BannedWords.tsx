import { SURFACES, type Surface } from '@opsimath/core/text/surfaces';
import type { BannedWord } from '@opsimath/contract/api/targets';
import { LANGUAGES } from '@opsimath/core/text/languages';
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
import { t, wordOf } from '../../words/t';

const LEVELS = [
  { value: 'forbidden', label: t('roster:BannedWords.forbidden') },
  { value: 'doubtful', label: t('roster:BannedWords.doubtful') },
] as const;
const SURFACE_CHOICES: { value: Surface | ''; label: string }[] = [
  { value: '', label: t('roster:BannedWords.everySurface') },
  ...SURFACES.map((value) => ({ value, label: wordOf(value) })),
];

/** The project's one list of words that are not to be used, each with its level and reason. */
export function BannedWords() {
  const { project } = useScope();
  const { data: words, error } = useBannedWordsQuery(project);
  const [remove] = useRemoveBannedWordMutation();
  return (
    <section className="section">
      <h2>{t('roster:BannedWords.wordsNotToUse')}</h2>
      <p className="soft">{t('roster:BannedWords.keywordsThatHoldOneAreMarked')}</p>
      <AddWord />
      {error && <Problem error={error} />}
      {words && words.length > 0 && (
        <table className="ledger">
          <thead>
            <tr>
              <th>{t('roster:BannedWords.wordOrPhrase')}</th>
              <th>{t('roster:BannedWords.level')}</th>
              <th>{t('roster:BannedWords.where')}</th>
              <th>{t('roster:BannedWords.reason')}</th>
              <th>{t('roster:BannedWords.notes')}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {words.map(({ id, text, level, surface, language, reason }) => (
              <tr key={id}>
                <td>
                  <b>{text}</b>
                </td>
                <td>{wordOf(level)}</td>
                <td>{[surface || 'every surface', language].filter(Boolean).join(', ')}</td>
                <td>{reason}</td>
                <td>
                  <NoteMark project={project} subject={{ on: 'word', word: text }} of={text} />
                </td>
                <td className="figure">
                  <button className="plain soft written" onClick={() => void remove({ project, id })}>
                    {t('roster:BannedWords.allowAgain')}
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
        aria-label={t('roster:BannedWords.wordOrPhrase')}
        placeholder={t('roster:BannedWords.wordOrPhrase')}
        value={word.text}
        maxLength={200}
        style={{ width: 180 }}
        onChange={(event) => change({ text: event.target.value })}
      />
      <Select
        aria-label={t('roster:BannedWords.level')}
        value={word.level}
        options={[...LEVELS]}
        onChange={(level) => change({ level })}
      />
      <Select
        aria-label={t('roster:BannedWords.surface')}
        value={word.surface}
        options={SURFACE_CHOICES}
        popupMatchSelectWidth={false}
        onChange={(surface) => change({ surface })}
      />
      <Select
        aria-label={t('roster:BannedWords.language')}
        value={word.language}
        options={[
          { value: '', label: t('roster:BannedWords.everyLanguage') },
          ...LANGUAGES.map((value) => ({ value, label: LANGUAGE_NAMES[value] })),
        ]}
        popupMatchSelectWidth={false}
        onChange={(language: string) => change({ language })}
      />
      <Input
        aria-label={t('roster:BannedWords.reason')}
        placeholder={t('roster:BannedWords.reasonNotAllowedInThisCategory')}
        value={word.reason}
        maxLength={500}
        style={{ width: 320 }}
        onChange={(event) => change({ reason: event.target.value })}
      />
      <Button htmlType="submit" type="primary" loading={isLoading} disabled={word.text.trim() === ''}>
        {t('roster:BannedWords.add')}
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}
