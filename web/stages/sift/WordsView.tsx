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

const LENGTHS = [
  { value: 1, label: 'words' },
  { value: 2, label: 'pairs' },
  { value: 3, label: 'threes' },
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
    <section className="words-view" aria-label="Words">
      <div className="words-head">
        <Segmented size="small" value={length} options={LENGTHS} onChange={setLength} />
        <Segmented
          size="small"
          value={sort}
          options={[
            { value: 'keywords', label: 'by keywords' },
            { value: 'volume', label: 'by volume' },
          ]}
          onChange={setSort}
        />
        <Input
          size="small"
          allowClear
          aria-label="Find a word"
          placeholder="Find a word"
          style={{ width: 160 }}
          maxLength={200}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        {data && (
          <span className="faint" role="status">
            {data.done < 1
              ? `Counting the words of ${counted(data.keywords, 'keyword')}: ${percent(data.done, 0)}`
              : `${count(data.total)} of them${data.total > MOST ? `, the first ${MOST} shown` : ''}; fillers and those of a single keyword left out`}
          </span>
        )}
      </div>
      {data && <ByWords rows={data.byWords} />}
      <CombineWords lookUp={lookUp} offered={data?.rows.map(({ text }) => text) ?? []} />
      {error && <Problem error={error} />}
      {ticked.length > 0 && (
        <p className="words-ticked" role="status">
          <b>{count(ticked.length)} ticked</b>{' '}
          <button className="plain written" onClick={() => sieve(ticked, false)}>
            keep only what holds one of them
          </button>{' '}
          <button className="plain written" onClick={() => sieve(ticked, true)}>
            leave out what holds one of them
          </button>{' '}
          <button className="plain soft written" onClick={() => tick([])}>
            none
          </button>
        </p>
      )}
      {data?.done === 1 && (
        <table className="ledger">
          <thead>
            <tr>
              <th aria-label="Ticked" />
              <th>{LENGTHS[length - 1]!.label}</th>
              <th className="figure">Keywords</th>
              <th className="figure">Share</th>
              <th className="figure" title="Searches a month of all keywords that hold it">
                Volume
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
        <input type="checkbox" aria-label={`Tick ${text}`} checked={ticked} onChange={onTick} />
      </td>
      <td>
        <b>{text}</b>
      </td>
      <td className="figure">{count(row.keywords)}</td>
      <td className="figure">{percent(row.keywords / Math.max(1, of))}</td>
      <td className="figure">{count(row.volume)}</td>
      <td className="figure word-acts">
        <button className="plain written" aria-label={`Keep only ${text}`} onClick={() => onSieve(false)}>
          keep only
        </button>
        <button className="plain written" aria-label={`Leave out ${text}`} onClick={() => onSieve(true)}>
          leave out
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
    <dl className="by-words" aria-label="By word count">
      {rows.map(({ words, keywords, volume }) => (
        <div key={words} title={`${count(volume)} searches a month: its share of all volume`}>
          <dt>{words === 8 ? '8 words, more' : words === 1 ? '1 word' : `${words} words`}</dt>
          <dd>
            <b>{all > 0 ? percent(volume / all, 0) : '–'}</b>
            <div className="faint">{counted(keywords, 'keyword')}</div>
          </dd>
        </div>
      ))}
    </dl>
  );
}
