import type { FoundBy } from '@opsimath/contract/api/foundBy';
import type { PoolPage } from '@opsimath/contract/api/pool';
import type { MatchMode } from '@opsimath/core/text/matchModes';
import { Button, Input, Select, Tooltip } from 'antd';
import { useCallback, useEffect, useState } from 'react';
import { FindBox } from '../../parts/words/FindBox';
import { count } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const MODES: { value: MatchMode; label: string }[] = [
  { value: 'any word', label: t('lookup:PoolFilters.anyWord') },
  { value: 'all words', label: t('lookup:PoolFilters.allWords') },
  { value: 'phrase', label: t('lookup:PoolFilters.phrase') },
];
const DELAY_MS = 250;

/** Narrowing a pool: a piece of text, whole words, and how a keyword was found. What is in force is seen. */
export function PoolFilters({ page, seeds }: { page: PoolPage; seeds: readonly string[] }) {
  const { scope, change } = useScope();
  const onFind = useCallback((poolFind: string) => change({ poolFind }, { replace: true }), [change]);
  const any =
    scope.poolFind !== '' || scope.poolWords !== '' || scope.poolFound.length > 0 || scope.poolWithout !== '';
  const toggle = (by: FoundBy): void =>
    change({
      poolFound: scope.poolFound.includes(by)
        ? scope.poolFound.filter((other) => other !== by)
        : [...scope.poolFound, by],
    });
  return (
    <div className="pool-filters">
      <FindBox
        name={t('lookup:PoolFilters.findInThisPool')}
        value={scope.poolFind}
        onFind={onFind}
        width={160}
      />
      <WordsBox />
      <Select
        aria-label={t('lookup:PoolFilters.howTheWordsAreMatched')}
        value={scope.poolMode}
        options={MODES}
        popupMatchSelectWidth={false}
        onChange={(poolMode) => change({ poolMode })}
      />
      <span className="pool-sources">
        {page.sources.map(({ by, keywords, only }) => (
          <Tooltip
            key={by}
            title={t('lookup:PoolFilters.keywordsFoundByByOnlyOf', {
              keywords: count(keywords),
              by: wordOf(by),
              only: count(only),
            })}
          >
            <button
              className="plain source"
              aria-pressed={scope.poolFound.includes(by)}
              onClick={() => toggle(by)}
            >
              {wordOf(by)} <span className="faint">{count(keywords)}</span>
            </button>
          </Tooltip>
        ))}
        {seeds.length > 0 && (
          <Tooltip title={t('lookup:PoolFilters.keywordsThatShareNoWordNot')}>
            <button
              className="plain source"
              aria-pressed={scope.poolWithout !== ''}
              onClick={() => change({ poolWithout: scope.poolWithout === '' ? seeds.join(' ') : '' })}
            >
              {t('lookup:PoolFilters.noWordShared')}
            </button>
          </Tooltip>
        )}
      </span>
      {any && (
        <Button
          type="link"
          size="small"
          onClick={() => change({ poolFind: '', poolWords: '', poolFound: [], poolWithout: '' })}
        >
          {t('lookup:PoolFilters.showAll')}
        </Button>
      )}
    </div>
  );
}

/** Whole words, applied shortly after typing. */
function WordsBox() {
  const { scope, change } = useScope();
  const [typed, setTyped] = useState(scope.poolWords);
  useEffect(() => {
    if (typed === scope.poolWords) return;
    const timer = setTimeout(() => change({ poolWords: typed }, { replace: true }), DELAY_MS);
    return () => clearTimeout(timer);
  }, [typed, scope.poolWords, change]);
  return (
    <Input
      allowClear
      aria-label={t('lookup:PoolFilters.wholeWords')}
      placeholder={t('lookup:PoolFilters.wholeWords')}
      value={typed}
      maxLength={300}
      style={{ width: 130 }}
      onChange={(event) => setTyped(event.target.value)}
    />
  );
}
