import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { CombinedQuery } from '@opsimath/contract/api/combined';
import { Button, InputNumber, Segmented, Select } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count, counted } from '../../parts/words/figures';
import { useCombinedQuery } from '../../state/siftApi';
import { useLookUpOf } from '../../state/useLookUpOf';

const FEWEST = 2;
const LONGEST = 5;

/** Builds new phrases of chosen words: those the pool does not hold go to a look-up, where their price is shown. */
export function CombineWords({ lookUp, offered }: { lookUp: LookUp; offered: readonly string[] }) {
  const goToLookUp = useLookUpOf();
  const [chosen, setChosen] = useState<string[]>([]);
  const [least, setLeast] = useState(FEWEST);
  const [most, setMost] = useState(3);
  const [order, setOrder] = useState<'any' | 'given'>('given');
  const how = { words: chosen, least, most: Math.max(least, most), anyOrder: order === 'any' };
  const [asked, setAsked] = useState<CombinedQuery | null>(null);
  const { currentData: made, error } = useCombinedQuery(
    { lookUp: lookUp.id, query: asked ?? how },
    { skip: asked === null },
  );
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
            setAsked(null);
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
        <Button size="small" disabled={chosen.length < FEWEST} onClick={() => setAsked(how)}>
          Combine
        </Button>
      </div>
      {error && <Problem error={error} />}
      {made && (
        <p>
          {made.held > 0 && `The pool holds ${count(made.held)} of them. `}
          {made.phrases.length === 0 && made.held === 0 && 'These words make no phrase. '}
          {made.phrases.length > 0 && (
            <>
              {counted(made.phrases.length, 'new phrase')}
              {made.possible > made.phrases.length + made.held && ` of ${count(made.possible)} possible ones`}
              : {made.phrases.slice(0, 6).join(', ')}
              {made.phrases.length > 6 && '…'}{' '}
              <Button size="small" onClick={() => goToLookUp(made.phrases, 'combined')}>
                See the price of their figures
              </Button>
            </>
          )}
        </p>
      )}
    </details>
  );
}
