import type { TargetCoverage } from '@opsimath/contract/api/coverage';
import type { Target } from '@opsimath/contract/api/targets';
import { COVERAGES } from '@opsimath/core/copy/coverage';
import { Button, Input, Select } from 'antd';
import { useDeferredValue, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, counted } from '../../parts/words/figures';
import { useTargetCoverageQuery } from '../../state/rosterApi';
import { useListsQuery } from '../../state/siftApi';
import { useScope } from '../../state/useScope';

const CHOICES = [
  { value: 'near', label: 'others’ keywords near to it' },
  { value: 'rivals', label: 'all keywords of others' },
  { value: 'own', label: 'keywords it ranks for' },
];
const WORDS_OF: Record<(typeof COVERAGES)[number], string> = {
  whole: 'the whole phrase in one field',
  'one field': 'all words in one field',
  spread: 'all words over several fields',
  part: 'some of their words',
  none: 'none of their words',
};
/** How a cell says what a field has. */
const SIGNS = { 'as typed': 'as typed', 'another form': 'other form', missing: '' } as const;

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
    <section className="section coverage" aria-label="Coverage">
      <p className="coverage-choice">
        Held against{' '}
        <Select
          size="small"
          aria-label="Keywords it is held against"
          value={chosen}
          popupMatchSelectWidth={false}
          onChange={choose}
          options={[
            ...CHOICES,
            ...(lists ?? [])
              .filter(({ market }) => market === scope.market)
              .map(({ id, name }) => ({ value: `list ${id}`, label: `list “${name}”` })),
          ]}
        />
      </p>
      <Input.TextArea
        aria-label="Hidden slots"
        placeholder="Paste hidden search terms here, one a line: they count as a field"
        autoSize={{ minRows: 1, maxRows: 4 }}
        value={hidden}
        onChange={({ target: { value } }) => paste(value)}
      />
      {error && <Problem error={error} />}
      {!data && !error && <Waiting for="its words" />}
      {data && <Covered data={data} busy={isFetching} />}
    </section>
  );
}

function Covered({ data, busy }: { data: TargetCoverage; busy: boolean }) {
  if (data.fields.length === 0)
    return (
      <p className="soft">Nothing is known of its words yet: fetch its public record, or paste slots.</p>
    );
  if (data.compared === 0)
    return <p className="soft">No keyword that matches these filters has words to look for.</p>;
  const missing = data.words.filter(({ fields }) => fields.every((presence) => presence === 'missing'));
  const present = data.words.filter(({ fields }) => fields.some((presence) => presence !== 'missing'));
  return (
    <div aria-busy={busy}>
      <p className="soft">
        {data.compared < data.total && `The ${count(data.compared)} most searched of `}
        {counted(data.total, 'keyword')}:{' '}
        {COVERAGES.map((word, n) => `${count(data.counts[n]!)} with ${WORDS_OF[word]}`).join(', ')}.
      </p>
      <CopyWords missing={missing} present={present} />
      <WordsTable data={data} />
      <h3>Keywords not held whole</h3>
      <table className="ledger" aria-label="Keywords not held whole">
        <thead>
          <tr>
            <th>Keyword</th>
            <th className="figure">Volume</th>
            <th>Held</th>
            <th>Lacks</th>
          </tr>
        </thead>
        <tbody>
          {data.keywords.slice(0, 60).map(({ id, text, volume, coverage, missing: lacks }) => (
            <tr key={id}>
              <td>{text}</td>
              <td className="figure">{count(volume)}</td>
              <td>{coverage}</td>
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
        Copy {count(missing.length)} missing words
      </Button>{' '}
      <Button size="small" disabled={present.length === 0} onClick={() => copy(present)}>
        Copy {count(present.length)} present words
      </Button>
    </p>
  );
}

function WordsTable({ data }: { data: TargetCoverage }) {
  return (
    <div className="coverage-words">
      <table className="ledger" aria-label="Words that are needed">
        <thead>
          <tr>
            <th>Word</th>
            <th className="figure" title="Keywords that need it, in any form">
              Keywords
            </th>
            <th className="figure" title="What those are searched for a month, together">
              Volume
            </th>
            {data.fields.map(({ name, words }) => (
              <th key={name} title={`${words} words; “other form”: the same word in another form`}>
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
