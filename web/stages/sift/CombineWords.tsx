import type { LookUp } from '@opsimath/contract/api/lookUps';
import { type Combined, combinePhrases } from '@opsimath/core/text/combine';
import { key } from '@opsimath/core/text/key';
import { Button, InputNumber, Segmented, Select } from 'antd';
import { useState } from 'react';
import { count } from '../../parts/words/figures';
import { siftApi } from '../../state/siftApi';
import { useAppDispatch } from '../../state/store';
import { useLookUpOf } from '../../state/useLookUpOf';

const MOST = 500;
const FEWEST = 2;
const LONGEST = 5;

/** Builds new phrases of chosen words: those the pool does not hold go to a look-up, where their price is shown. */
export function CombineWords({ lookUp, offered }: { lookUp: LookUp; offered: readonly string[] }) {
  const dispatch = useAppDispatch();
  const goToLookUp = useLookUpOf();
  const [chosen, setChosen] = useState<string[]>([]);
  const [least, setLeast] = useState(FEWEST);
  const [most, setMost] = useState(3);
  const [order, setOrder] = useState<'any' | 'given'>('given');
  const [made, setMade] = useState<Combined | null>(null);
  const combine = async (): Promise<void> => {
    const how = { least, most: Math.max(least, most), anyOrder: order === 'any' };
    const known = new Set<string>();
    // What the pool holds of these words decides what is new.
    const asked = dispatch(
      siftApi.endpoints.sift.initiate({
        lookUp: lookUp.id,
        query: {
          steps: [
            {
              id: 'of',
              on: true,
              sieve: { kind: 'words', mode: 'any word', text: chosen.join(' '), out: false },
            },
          ],
          sort: 'words',
          limit: MOST,
        },
      }),
    );
    const { data } = await asked;
    asked.unsubscribe();
    for (const { text } of data?.rows ?? []) known.add(key(text));
    setMade(combinePhrases(chosen.map(key), how, known, MOST));
  };
  return (
    <details className="combine">
      <summary>Combine words into new phrases</summary>
      <div className="words-head">
        <Select
          mode="tags"
          size="small"
          aria-label="Words to combine"
          placeholder="words"
          style={{ minWidth: 260 }}
          value={chosen}
          options={offered.map((value) => ({ value, label: value }))}
          onChange={(next: string[]) => {
            setChosen(next);
            setMade(null);
          }}
        />
        <span className="soft">
          of{' '}
          <InputNumber
            size="small"
            aria-label="Fewest words"
            min={FEWEST}
            max={LONGEST}
            precision={0}
            style={{ width: 48 }}
            value={least}
            onChange={(value) => setLeast(value ?? FEWEST)}
          />{' '}
          to{' '}
          <InputNumber
            size="small"
            aria-label="Most words"
            min={least}
            max={LONGEST}
            precision={0}
            style={{ width: 48 }}
            value={Math.max(least, most)}
            onChange={(value) => setMost(value ?? LONGEST)}
          />
        </span>
        <Segmented
          size="small"
          aria-label="Order of the words"
          value={order}
          options={[
            { value: 'given', label: 'in the order given' },
            { value: 'any', label: 'in any order' },
          ]}
          onChange={setOrder}
        />
        <Button size="small" disabled={chosen.length < FEWEST} onClick={() => void combine()}>
          Combine
        </Button>
      </div>
      {made && (
        <p>
          {made.phrases.length === 0
            ? 'The pool holds them all.'
            : `${count(made.phrases.length)} new phrases${made.possible > made.phrases.length ? ` of ${count(made.possible)} possible ones` : ''}: ${made.phrases.slice(0, 6).join(', ')}${made.phrases.length > 6 ? '…' : ''} `}
          {made.phrases.length > 0 && (
            <Button size="small" onClick={() => goToLookUp(made.phrases, 'combined')}>
              See the price of their figures
            </Button>
          )}
        </p>
      )}
    </details>
  );
}
