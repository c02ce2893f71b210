import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { WordCountsPage } from '@opsimath/contract/api/sift';
import { Input, Segmented } from 'antd';
import { useDeferredValue, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count, counted, percent } from '../../parts/words/figures';
import { useMarketsQuery } from '../../state/projectApi';
import { useWordCountsQuery } from '../../state/siftApi';
import { BanWord } from './BanWord';
import { CombineWords } from './CombineWords';
import type { UsedRecipe } from './useRecipe';
import { t } from '../../words/t';

const LENGTHS = [
  { value: 1, label: t('sift:WordsView.words') },
  { value: 2, label: t('sift:WordsView.pairs') },
  { value: 3, label: t('sift:WordsView.threes') },
];
const MOST = 200;
const POLL_MS = 300;

/** Words among what comes through, with how many keywords hold them: pick those to keep, to leave out, to ban. */
export function WordsView({ lookUp, recipe }: { lookUp: LookUp; recipe: UsedRecipe }) {
  const [length, setLength] = useState(1);
  const [sort, setSort] = useState<'keywords' | 'volume'>('keywords');
  const [typed, setTyped] = useState('');
  const find = useDeferredValue(typed);
  const { steps, rescued } = recipe;
  const [counting, setCounting] = useState(true);
  const { data: markets } = useMarketsQuery();
  const language = markets?.find(({ code }) => code === lookUp.market)?.language ?? '';
  const market = { surface: lookUp.surface, language };
  const [ticked, tick] = useState<readonly string[]>([]);
  const sieve = (texts: readonly string[], out: boolean): void => {
    tick([]);
    void recipe
      .addSieve({ kind: 'words', mode: 'phrase', text: texts.join(', '), out })
      .catch(() => undefined);
  };
  const { data, error } = useWordCountsQuery(
    { lookUp: lookUp.id, query: { steps, rescued, length, sort, find, limit: MOST } },
    { pollingInterval: counting ? POLL_MS : 0 },
  );
  const isCounting = data === undefined || data.done < 1;
  if (isCounting !== counting) setCounting(isCounting);
  return (
    <section className="words-view" aria-label={t('sift:WordsView.words2')}>
      <div className="words-head">
        <Segmented size="small" value={length} options={LENGTHS} onChange={setLength} />
        <Segmented
          size="small"
          value={sort}
          options={[
            { value: 'keywords', label: t('sift:WordsView.byKeywords') },
            { value: 'volume', label: t('sift:WordsView.byVolume') },
          ]}
          onChange={setSort}
        />
        <Input
          size="small"
          allowClear
          aria-label={t('sift:WordsView.findAWord')}
          placeholder={t('sift:WordsView.findAWord')}
          style={{ width: 160 }}
          maxLength={200}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        {data && (
          <span className="faint" role="status">
            {data.done < 1
              ? t('sift:WordsView.countingTheWordsOfKeywordsDone', {
                  keywords: counted(data.keywords, 'keyword'),
                  done: percent(data.done, 0),
                })
              : t('sift:WordsView.totalOfThemWhichFillersAnd', {
                  total: count(data.total),
                  which: data.total > MOST ? t('sift:WordsView.theFirstMOSTShown', { MOST }) : '',
                })}
          </span>
        )}
      </div>
      {data && <ByWords rows={data.byWords} />}
      <CombineWords lookUp={lookUp} offered={data?.rows.map(({ text }) => text) ?? []} />
      {error && <Problem error={error} />}
      {ticked.length > 0 && (
        <p className="words-ticked" role="status">
          <b>{t('sift:WordsView.tickedTicked', { ticked: count(ticked.length) })}</b>{' '}
          <button className="plain written" onClick={() => sieve(ticked, false)}>
            {t('sift:WordsView.keepOnlyWhatHoldsOneOf')}
          </button>{' '}
          <button className="plain written" onClick={() => sieve(ticked, true)}>
            {t('sift:WordsView.leaveOutWhatHoldsOneOf')}
          </button>{' '}
          <button className="plain soft written" onClick={() => tick([])}>
            {t('sift:WordsView.none')}
          </button>
        </p>
      )}
      {data?.done === 1 && (
        <table className="ledger">
          <thead>
            <tr>
              <th aria-label={t('sift:WordsView.ticked')} />
              <th>{LENGTHS[length - 1]!.label}</th>
              <th className="figure">{t('sift:WordsView.keywords')}</th>
              <th className="figure">{t('sift:WordsView.share')}</th>
              <th className="figure" title={t('sift:WordsView.searchesAMonthOfAllKeywords')}>
                {t('sift:WordsView.volume')}
              </th>
              <th />
            </tr>
          </thead>
          <tbody>
            {data.rows.map((row) => (
              <WordRow
                key={row.text}
                row={row}
                of={data.keywords}
                market={market}
                ticked={ticked.includes(row.text)}
                onTick={() =>
                  tick(
                    ticked.includes(row.text)
                      ? ticked.filter((text) => text !== row.text)
                      : [...ticked, row.text],
                  )
                }
                onSieve={(out) => sieve([row.text], out)}
              />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

interface WordRowProps {
  row: WordCountsPage['rows'][number];
  of: number;
  market: { surface: LookUp['surface']; language: string };
  ticked: boolean;
  onTick: () => void;
  onSieve: (out: boolean) => void;
}

function WordRow({ row, of, market, ticked, onTick, onSieve }: WordRowProps) {
  const { text } = row;
  return (
    <tr>
      <td>
        <input
          type="checkbox"
          aria-label={t('sift:WordsView.tickText', { text })}
          checked={ticked}
          onChange={onTick}
        />
      </td>
      <td>
        <b>{text}</b>
      </td>
      <td className="figure">{count(row.keywords)}</td>
      <td className="figure">{percent(row.keywords / Math.max(1, of))}</td>
      <td className="figure">{count(row.volume)}</td>
      <td className="figure word-acts">
        <button
          className="plain written"
          aria-label={t('sift:WordsView.keepOnlyText', { text })}
          onClick={() => onSieve(false)}
        >
          {t('sift:WordsView.keepOnly')}
        </button>
        <button
          className="plain written"
          aria-label={t('sift:WordsView.leaveOutText', { text })}
          onClick={() => onSieve(true)}
        >
          {t('sift:WordsView.leaveOut')}
        </button>
        <BanWord text={text} market={market} />
      </td>
    </tr>
  );
}

/** How much of the demand lies with the long-tail: keywords and volume by word count. */
function ByWords({ rows }: { rows: WordCountsPage['byWords'] }) {
  const all = rows.reduce((sum, { volume }) => sum + volume, 0);
  return (
    <dl className="by-words" aria-label={t('sift:WordsView.byWordCount')}>
      {rows.map(({ words, keywords, volume }) => (
        <div key={words} title={t('sift:WordsView.volumeSearchesAMonthItsShare', { volume: count(volume) })}>
          <dt>
            {words === 8
              ? t('sift:WordsView.n8WordsMore')
              : words === 1
                ? t('sift:WordsView.n1Word')
                : t('sift:WordsView.wordsWords', { words })}
          </dt>
          <dd>
            <b>{all > 0 ? percent(volume / all, 0) : '–'}</b>
            <div className="faint">{counted(keywords, 'keyword')}</div>
          </dd>
        </div>
      ))}
    </dl>
  );
}
