import type { LookUp } from '@opsimath/contract/api/lookUps';
import { AutoComplete, Button } from 'antd';
import { useState } from 'react';
import { useSiftQuery } from '../../state/siftApi';
import { useVariantChoice } from './useVariantChoice';
import { t } from '../../words/t';

const OFFERED = 12;

/** Puts one keyword under another by hand. */
export function JoinVariants({ lookUp }: { lookUp: LookUp }) {
  const choose = useVariantChoice();
  const [variant, setVariant] = useState('');
  const [main, setMain] = useState('');
  const variants = useOffered(lookUp, variant);
  const mains = useOffered(lookUp, main);
  const child = variants.find(({ text }) => text === variant);
  const under = mains.find(({ text }) => text === main);
  const join = (): void => {
    if (!child || !under) return;
    choose(
      [{ keyword: child.id, under: under.id }],
      t('sift:JoinVariants.textPutUnderText2', { text: child.text, text2: under.text }),
    );
    setVariant('');
    setMain('');
  };
  return (
    <form
      className="join"
      onSubmit={(event) => {
        event.preventDefault();
        join();
      }}
    >
      <AutoComplete
        size="small"
        aria-label={t('sift:JoinVariants.keywordToPutUnderAnother')}
        placeholder={t('sift:JoinVariants.keyword')}
        style={{ width: 150 }}
        value={variant}
        options={variants.map(({ text }) => ({ value: text }))}
        onChange={setVariant}
      />{' '}
      <span className="soft">{t('sift:JoinVariants.belongsUnder')}</span>{' '}
      <AutoComplete
        size="small"
        aria-label={t('sift:JoinVariants.keywordToPutItUnder')}
        placeholder={t('sift:JoinVariants.keyword')}
        style={{ width: 150 }}
        value={main}
        options={mains.map(({ text }) => ({ value: text }))}
        onChange={setMain}
      />{' '}
      <Button size="small" htmlType="submit" disabled={!child || !under || child.id === under.id}>
        {t('sift:JoinVariants.join')}
      </Button>
    </form>
  );
}

/** Keywords of the pool that hold what is typed. */
function useOffered(lookUp: LookUp, typed: string): { id: number; text: string }[] {
  const { currentData } = useSiftQuery(
    { lookUp: lookUp.id, query: { steps: [], find: typed, sort: '-volume', limit: OFFERED } },
    { skip: typed.trim() === '' },
  );
  return currentData?.rows ?? [];
}
