import type { Surface } from '@opsimath/contract/source/answers';
import { Button, Input, Popover, Segmented } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { useAddBannedWordMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';

const WHERE = [
  { value: 'everywhere', label: 'everywhere' },
  { value: 'language', label: 'in this language' },
  { value: 'surface', label: 'on this surface' },
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
              { value: 'doubtful', label: 'doubtful' },
              { value: 'forbidden', label: 'forbidden' },
            ]}
            onChange={setLevel}
          />
          <Segmented
            size="small"
            aria-label="Where it is not to be used"
            value={where}
            options={[...WHERE]}
            onChange={setWhere}
          />
          <Input
            aria-label="Reason"
            placeholder="Reason"
            maxLength={500}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <Button htmlType="submit" size="small" type="primary" loading={isLoading}>
            Do not use “{text}”
          </Button>
          {error && <Problem error={error} />}
        </form>
      }
    >
      <button className="plain soft written" aria-label={`Ban ${text}`}>
        ban
      </button>
    </Popover>
  );
}
