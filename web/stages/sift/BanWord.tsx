import type { Surface } from '@opsimath/contract/source/answers';
import { Button, Input, Popover, Segmented } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { useAddBannedWordMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

const WHERE = [
  { value: 'everywhere', label: t('sift:BanWord.everywhere') },
  { value: 'language', label: t('sift:BanWord.inThisLanguage') },
  { value: 'surface', label: t('sift:BanWord.onThisSurface') },
] as const;

/** Puts a word on the project's list of those not to be used, with its reason. */
export function BanWord({ text, market }: { text: string; market: { surface: Surface; language: string } }) {
  const { project } = useScope();
  const [add, { isLoading, error }] = useAddBannedWordMutation();
  const [open, setOpen] = useState(false);
  const [level, setLevel] = useState<'forbidden' | 'doubtful'>('doubtful');
  const [reason, setReason] = useState('');
  const [where, setWhere] = useState<(typeof WHERE)[number]['value']>('everywhere');
  const ban = async (): Promise<void> => {
    const { surface, language } = market;
    await add({
      project,
      word: {
        ...{ text, level, reason },
        surface: where === 'surface' ? surface : '',
        language: where === 'everywhere' ? '' : language,
      },
    }).unwrap();
    setOpen(false);
  };
  return (
    <Popover
      trigger="click"
      placement="left"
      open={open}
      onOpenChange={setOpen}
      destroyOnHidden
      content={
        <form
          className="keep-list"
          onSubmit={(event) => {
            event.preventDefault();
            void ban().catch(() => undefined);
          }}
        >
          <Segmented
            size="small"
            value={level}
            options={[
              { value: 'doubtful', label: t('sift:BanWord.doubtful') },
              { value: 'forbidden', label: t('sift:BanWord.forbidden') },
            ]}
            onChange={setLevel}
          />
          <Segmented
            size="small"
            aria-label={t('sift:BanWord.whereItIsNotToBe')}
            value={where}
            options={[...WHERE]}
            onChange={setWhere}
          />
          <Input
            aria-label={t('sift:BanWord.reason')}
            placeholder={t('sift:BanWord.reason')}
            maxLength={500}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <Button htmlType="submit" size="small" type="primary" loading={isLoading}>
            {t('sift:BanWord.doNotUseText', { text })}
          </Button>
          {error && <Problem error={error} />}
        </form>
      }
    >
      <button className="plain soft written" aria-label={t('sift:BanWord.banText', { text })}>
        {t('sift:BanWord.ban')}
      </button>
    </Popover>
  );
}
