import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { CombinedQuery } from '@opsimath/contract/api/combined';
import { Button, InputNumber, Segmented, Select } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count, counted } from '../../parts/words/figures';
import { useCombinedQuery } from '../../state/siftApi';
import { useLookUpOf } from '../../state/useLookUpOf';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

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
      <summary>{t('sift:CombineWords.combineWordsIntoNewPhrases')}</summary>
      <div className="words-head">
        <Select
          mode="tags"
          size="small"
          aria-label={t('sift:CombineWords.wordsToCombine')}
          placeholder={t('sift:CombineWords.words')}
          style={{ minWidth: 260 }}
          value={chosen}
          options={offered.map((value) => ({ value, label: value }))}
          onChange={(next: string[]) => {
            setChosen(next);
            setAsked(null);
          }}
        />
        <span className="soft">
          <Told
            id="sift:CombineWords.ofTo"
            parts={{
              inputNumber: (
                <InputNumber
                  size="small"
                  aria-label={t('sift:CombineWords.fewestWords')}
                  min={FEWEST}
                  max={LONGEST}
                  precision={0}
                  style={{ width: 48 }}
                  value={least}
                  onChange={(value) => setLeast(value ?? FEWEST)}
                />
              ),
            }}
          />{' '}
          <InputNumber
            size="small"
            aria-label={t('sift:CombineWords.mostWords')}
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
          aria-label={t('sift:CombineWords.orderOfTheWords')}
          value={order}
          options={[
            { value: 'given', label: t('sift:CombineWords.inTheOrderGiven') },
            { value: 'any', label: t('sift:CombineWords.inAnyOrder') },
          ]}
          onChange={setOrder}
        />
        <Button size="small" disabled={chosen.length < FEWEST} onClick={() => setAsked(how)}>
          {t('sift:CombineWords.combine')}
        </Button>
      </div>
      {error && <Problem error={error} />}
      {made && (
        <p>
          {made.held > 0 && `${t('sift:CombineWords.thePoolHoldsHeldOfThem', { held: count(made.held) })} `}
          {made.phrases.length === 0 &&
            made.held === 0 &&
            `${t('sift:CombineWords.theseWordsMakeNoPhrase')} `}
          {made.phrases.length > 0 && (
            <>
              {counted(made.phrases.length, 'new phrase')}
              {made.possible > made.phrases.length + made.held &&
                ` ${t('sift:CombineWords.ofPossiblePossibleOnes', { possible: count(made.possible) })}`}
              {': '}
              {made.phrases.slice(0, 6).join(', ')}
              {made.phrases.length > 6 && '…'}{' '}
              <Button size="small" onClick={() => goToLookUp(made.phrases, 'combined')}>
                {t('sift:CombineWords.seeThePriceOfTheirFigures')}
              </Button>
            </>
          )}
        </p>
      )}
    </details>
  );
}
