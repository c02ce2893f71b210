import type { TargetCoverage } from '@opsimath/contract/api/coverage';
import type { Target } from '@opsimath/contract/api/targets';
import { COVERAGES } from '@opsimath/core/copy/coverageWords';
import { Button, Input, Select } from 'antd';
import { useDeferredValue, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, counted } from '../../parts/words/figures';
import { useTargetCoverageQuery } from '../../state/rosterApi';
import { useListsQuery } from '../../state/siftApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const CHOICES = [
  { value: 'near', label: t('roster:TargetCoverageView.othersKeywordsNearToIt') },
  { value: 'rivals', label: t('roster:TargetCoverageView.allKeywordsOfOthers') },
  { value: 'own', label: t('roster:TargetCoverageView.keywordsItRanksFor') },
];
const WORDS_OF: Record<(typeof COVERAGES)[number], string> = {
  whole: t('roster:TargetCoverageView.theWholePhraseInOneField'),
  'one field': t('roster:TargetCoverageView.allWordsInOneField'),
  spread: t('roster:TargetCoverageView.allWordsOverSeveralFields'),
  part: 'some of their words',
  none: t('roster:TargetCoverageView.noneOfTheirWords'),
};
/** How a cell says what a field has. */
const SIGNS = {
  'as typed': t('roster:TargetCoverageView.asTyped'),
  'another form': t('roster:TargetCoverageView.otherForm'),
  missing: '',
} as const;

/** Which words others’ keywords need that this target has or lacks; for a stranger’s as well as for ours. */
export function TargetCoverageView({ target }: { target: Target }) {
  const { project, scope } = useScope();
  const { data: lists } = useListsQuery(project);
  const [chosen, choose] = useState('near');
  const [hidden, paste] = useState('');
  const slots = useDeferredValue(hidden);
  const list = chosen.startsWith('list ') ? Number(chosen.slice(5)) : undefined;
  const { data, error, isFetching } = useTargetCoverageQuery({
    project,
    target: target.id,
    market: scope.market,
    date: scope.date,
    keywords: list === undefined ? (chosen as 'near' | 'rivals' | 'own') : 'list',
    ...(list === undefined ? {} : { list }),
    hidden: slots,
  });
  return (
    <section className="section coverage" aria-label={t('roster:TargetCoverageView.coverage')}>
      <p className="coverage-choice">
        {t('roster:TargetCoverageView.heldAgainst')}{' '}
        <Select
          size="small"
          aria-label={t('roster:TargetCoverageView.keywordsItIsHeldAgainst')}
          value={chosen}
          popupMatchSelectWidth={false}
          onChange={choose}
          options={[
            ...CHOICES,
            ...(lists ?? [])
              .filter(({ market }) => market === scope.market)
              .map(({ id, name }) => ({
                value: `list ${id}`,
                label: t('roster:TargetCoverageView.listName', { name }),
              })),
          ]}
        />
      </p>
      <Input.TextArea
        aria-label={t('roster:TargetCoverageView.hiddenSlots')}
        placeholder={t('roster:TargetCoverageView.pasteHiddenSearchTermsHereOne')}
        autoSize={{ minRows: 1, maxRows: 4 }}
        value={hidden}
        onChange={({ target: { value } }) => paste(value)}
      />
      {error && <Problem error={error} />}
      {!data && !error && <Waiting for={t('roster:TargetCoverageView.itsWords')} />}
      {data && <Covered data={data} busy={isFetching} />}
    </section>
  );
}

function Covered({ data, busy }: { data: TargetCoverage; busy: boolean }) {
  if (data.fields.length === 0)
    return <p className="soft">{t('roster:TargetCoverageView.nothingIsKnownOfItsWords')}</p>;
  if (data.compared === 0)
    return <p className="soft">{t('roster:TargetCoverageView.noKeywordThatMatchesTheseFilters')}</p>;
  const missing = data.words.filter(({ fields }) => fields.every((presence) => presence === 'missing'));
  const present = data.words.filter(({ fields }) => fields.some((presence) => presence !== 'missing'));
  return (
    <div aria-busy={busy}>
      <p className="soft">
        {data.compared < data.total &&
          `${t('roster:TargetCoverageView.theComparedMostSearchedOf', { compared: count(data.compared) })} `}
        {counted(data.total, 'keyword')}:{' '}
        {COVERAGES.map((word, n) =>
          t('roster:TargetCoverageView.nWithWord', { n: count(data.counts[n]!), word: WORDS_OF[word] }),
        ).join(', ')}
        .
      </p>
      <CopyWords missing={missing} present={present} />
      <WordsTable data={data} />
      <h3>{t('roster:TargetCoverageView.keywordsNotHeldWhole')}</h3>
      <table className="ledger" aria-label={t('roster:TargetCoverageView.keywordsNotHeldWhole')}>
        <thead>
          <tr>
            <th>{t('roster:TargetCoverageView.keyword')}</th>
            <th className="figure">{t('roster:TargetCoverageView.volume')}</th>
            <th>{t('roster:TargetCoverageView.held')}</th>
            <th>{t('roster:TargetCoverageView.lacks')}</th>
          </tr>
        </thead>
        <tbody>
          {data.keywords.slice(0, 60).map(({ id, text, volume, coverage, missing: lacks }) => (
            <tr key={id}>
              <td>{text}</td>
              <td className="figure">{count(volume)}</td>
              <td>{wordOf(coverage)}</td>
              <td>{lacks.join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

type Word = TargetCoverage['words'][number];

/** Words as plain text on the clipboard. */
function CopyWords({ missing, present }: { missing: readonly Word[]; present: readonly Word[] }) {
  const copy = (words: readonly Word[]): void =>
    void navigator.clipboard.writeText(words.map(({ word }) => word).join(' '));
  return (
    <p className="coverage-copy">
      <Button size="small" disabled={missing.length === 0} onClick={() => copy(missing)}>
        {t('roster:TargetCoverageView.copyMissingMissingWords', { missing: count(missing.length) })}
      </Button>{' '}
      <Button size="small" disabled={present.length === 0} onClick={() => copy(present)}>
        {t('roster:TargetCoverageView.copyPresentPresentWords', { present: count(present.length) })}
      </Button>
    </p>
  );
}

function WordsTable({ data }: { data: TargetCoverage }) {
  return (
    <div className="coverage-words">
      <table className="ledger" aria-label={t('roster:TargetCoverageView.wordsThatAreNeeded')}>
        <thead>
          <tr>
            <th>{t('roster:TargetCoverageView.word')}</th>
            <th className="figure" title={t('roster:TargetCoverageView.keywordsThatNeedItInAny')}>
              {t('roster:TargetCoverageView.keywords')}
            </th>
            <th className="figure" title={t('roster:TargetCoverageView.whatThoseAreSearchedForA')}>
              {t('roster:TargetCoverageView.volume')}
            </th>
            {data.fields.map(({ name, words }) => (
              <th key={name} title={t('roster:TargetCoverageView.wordsWordsOtherFormTheSame', { words })}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {data.words.slice(0, 80).map(({ word, keywords, volume, fields }) => (
            <tr
              key={word}
              className={fields.every((presence) => presence === 'missing') ? 'lacking' : undefined}
            >
              <td>
                <b>{word}</b>
              </td>
              <td className="figure">{count(keywords)}</td>
              <td className="figure">{count(volume)}</td>
              {fields.map((presence, n) => (
                <td key={data.fields[n]!.name} className="soft">
                  {SIGNS[presence]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
