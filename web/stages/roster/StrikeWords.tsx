import type { Target } from '@opsimath/contract/api/targets';
import { key, words } from '@opsimath/core/text/key';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { useMarketsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

interface StrikeWordsProps {
  targets: readonly Target[];
  onPhrase: (phrase: string) => void;
}
/** Stands for a title that no page of ours has yet. */
const TYPED = 0;

/**
 * A title of ours word by word: strike some, and the rest is the seed keyword that finds the nearest rivals. Titles in the
 * language of the market come first; without a page of our own one is typed.
 */
export function StrikeWords({ targets, onPhrase }: StrikeWordsProps) {
  const own = useOwnTitles(targets);
  const [chosen, setChosen] = useState<number | null>(null);
  const [typed, setTyped] = useState('');
  const [struck, setStruck] = useState<ReadonlySet<number>>(new Set());
  const target = chosen === TYPED ? undefined : (own.find(({ id }) => id === chosen) ?? own[0]);
  const titleWords = words(key(target?.title ?? typed));
  const rest = titleWords.filter((_, i) => !struck.has(i)).join(' ');
  const strike = (n: number): void => {
    const next = new Set(struck);
    if (!next.delete(n)) next.add(n);
    setStruck(next);
  };
  return (
    <div className="strike">
      <span className="soft">{t('roster:StrikeWords.orStrikeWordsFrom')}</span>
      {own.length > 0 && (
        <Select
          size="small"
          aria-label={t('roster:StrikeWords.ownTarget')}
          value={target?.id ?? TYPED}
          options={[
            ...own.map(({ id, name }) => ({ value: id, label: name })),
            { value: TYPED, label: t('roster:StrikeWords.aTitleThatIType') },
          ]}
          popupMatchSelectWidth={false}
          onChange={(id) => {
            setChosen(id);
            setStruck(new Set());
          }}
        />
      )}
      {!target && (
        <Input
          size="small"
          aria-label={t('roster:StrikeWords.aTitleOfOurs')}
          placeholder={t('roster:StrikeWords.aTitleOfOursPublishedOr')}
          value={typed}
          maxLength={300}
          style={{ width: 300 }}
          onChange={(event) => {
            setTyped(event.target.value);
            setStruck(new Set());
          }}
        />
      )}
      {titleWords.map((word, i) => (
        <button
          key={`${word}${i}`}
          className={struck.has(i) ? 'plain word struck' : 'plain word'}
          aria-pressed={struck.has(i)}
          onClick={() => strike(i)}
        >
          {word}
        </button>
      ))}
      <Button size="small" disabled={rest === ''} onClick={() => onPhrase(rest)}>
        {t('roster:StrikeWords.showTheFrontOfTheRest')}
      </Button>
    </div>
  );
}

/** Titles of our pages, videos and listings on the surface, those in the language of the market first. */
function useOwnTitles(targets: readonly Target[]): { id: number; name: string; title: string }[] {
  const { scope } = useScope();
  const { data: markets } = useMarketsQuery();
  const market = markets?.find(({ code }) => code === scope.market);
  const languageOf = (code: string): string | undefined =>
    markets?.find((each) => each.code === code)?.language;
  const isNear = (target: Target): number =>
    target.market === scope.market ? 2 : Number(languageOf(target.market) === market?.language);
  return targets
    .filter(
      ({ side, surface, record, parent }) =>
        side === 'own' && record && parent !== null && surface === market?.surface,
    )
    .sort((a, b) => isNear(b) - isNear(a))
    .map(({ id, name, record }) => ({ id, name, title: record!.title }));
}
