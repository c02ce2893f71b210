import { GLOSSARY } from '@opsimath/core/glossary';
import { useState } from 'react';
import { Link } from 'react-router';
import { FindBox } from '../../parts/words/FindBox';
import { Ledger } from '../../parts/table/Ledger';
import { glossaryWords, t } from '../../words/t';

const WORDS = GLOSSARY.map((entry) => ({ ...entry, ...glossaryWords(entry.word, entry) }));

/** Every word that means something of its own here, with the page of the method that defines it. */
export function GlossaryPage({ addressOf }: { addressOf: (section: string) => string }) {
  const [find, setFind] = useState('');
  const sought = find.trim().toLowerCase();
  const rows = WORDS.filter(
    ({ word, meaning }) => word.toLowerCase().includes(sought) || meaning.toLowerCase().includes(sought),
  );
  return (
    <article className="method-text">
      <header className="stage-head">
        <h1>{t('method:GlossaryPage.wordsAndWhatTheyMean')}</h1>
        <FindBox name={t('method:GlossaryPage.findAWord')} value={find} onFind={setFind} width={170} />
      </header>
      <Ledger
        className="glossary"
        label={t('method:GlossaryPage.wordsAndWhatTheyMean')}
        rows={rows}
        keyOf={({ word }) => word}
        empty={t('method:GlossaryPage.noWordHoldsThis')}
        columns={[
          { head: t('method:GlossaryPage.word'), cell: ({ word }) => <b>{word}</b> },
          { head: t('method:GlossaryPage.meaning'), cell: ({ meaning }) => meaning },
          {
            head: t('method:GlossaryPage.definedIn'),
            className: 'no-break',
            cell: ({ section }) => section !== undefined && <Link to={addressOf(section)}>§{section}</Link>,
          },
        ]}
      />
    </article>
  );
}
