import type { Target } from '@opsimath/contract/api/targets';
import { key, words } from '@opsimath/core/text/key';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { useScope } from '../../state/useScope';

interface StrikeWordsProps {
  targets: readonly Target[];
  onPhrase: (phrase: string) => void;
}

/** Our own title word by word: strike some, and the rest is the seed keyword that finds the nearest rivals. */
export function StrikeWords({ targets, onPhrase }: StrikeWordsProps) {
  const { scope } = useScope();
  const own = targets.filter(
    ({ side, surface, record, parent }) =>
      side === 'own' && record && parent !== null && scope.market.startsWith(`${surface}-`),
  );
  const [chosen, setChosen] = useState<number | null>(null);
  const [struck, setStruck] = useState<ReadonlySet<number>>(new Set());
  const target = own.find(({ id }) => id === chosen) ?? own[0];
  if (!target) return null;
  const titleWords = words(key(target.record!.title));
  const rest = titleWords.filter((_, i) => !struck.has(i)).join(' ');
  return (
    <div className="strike">
      <span className="soft">Or strike words from</span>
      {own.length > 1 ? (
        <Select
          size="small"
          aria-label="Own target"
          value={target.id}
          options={own.map(({ id, name }) => ({ value: id, label: name }))}
          popupMatchSelectWidth={false}
          onChange={(id) => {
            setChosen(id);
            setStruck(new Set());
          }}
        />
      ) : (
        <span className="soft">our title</span>
      )}
      {titleWords.map((word, i) => (
        <button
          key={`${word}${i}`}
          className={struck.has(i) ? 'plain word struck' : 'plain word'}
          aria-pressed={struck.has(i)}
          onClick={() => {
            const next = new Set(struck);
            if (!next.delete(i)) next.add(i);
            setStruck(next);
          }}
        >
          {word}
        </button>
      ))}
      <Button size="small" disabled={rest === ''} onClick={() => onPhrase(rest)}>
        Show the front of the rest
      </Button>
    </div>
  );
}
