import type { ChangeAddition } from '@opsimath/contract/api/drafts';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { DayField } from '../../parts/words/DayField';
import { useTrouble } from '../../parts/words/useTrouble';
import { useNoteChangeMutation } from '../../state/publishedApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { ChangeKind } from './ChangeKind';
import { t } from '../../words/t';

const NOTHING: { id: number; text: string }[] = [];

/** Notes what was done to a target without a draft, so that what follows has a cause. */
export function NoteChange() {
  const { project, scope } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const tray = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const [address, setAddress] = useState('');
  const [kind, setKind] = useState<ChangeAddition['kind']>('price');
  const [date, setDate] = useState(scope.date);
  const [note, setNote] = useState('');
  const [add, { isLoading }] = useNoteChangeMutation();
  const trouble = useTrouble();
  const send = async (): Promise<void> => {
    try {
      const keywords = tray.map(({ id }) => id);
      await add({
        project,
        change: { market: scope.market, address, kind, date, keywords, note, person },
      }).unwrap();
      setAddress('');
      setNote('');
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <section className="new-draft" aria-label={t('drafts:NoteChange.noteAChange')}>
      <span className="soft">{t('drafts:NoteChange.doneWithoutADraft')} </span>
      <ChangeKind value={kind} onChange={setKind} />
      <Input
        size="small"
        aria-label={t('drafts:NoteChange.addressThatWasChanged')}
        placeholder={t('drafts:NoteChange.addressOfOurs')}
        style={{ width: 250 }}
        value={address}
        onChange={({ target }) => setAddress(target.value.trim())}
      />
      <Input
        size="small"
        aria-label={t('drafts:NoteChange.whatWasDone')}
        placeholder={t('drafts:NoteChange.whatWasDone59To54')}
        style={{ width: 220 }}
        value={note}
        onChange={({ target }) => setNote(target.value)}
      />
      <DayField name={t('drafts:NoteChange.dayOfTheChange')} value={date} onChange={setDate} />
      <Button
        size="small"
        type="primary"
        loading={isLoading}
        disabled={address === ''}
        onClick={() => void send()}
      >
        {t('drafts:NoteChange.noteIt')}
      </Button>
      <span className="soft">
        {tray.length === 0
          ? t('drafts:NoteChange.aimsAtNoKeywordTheTray')
          : t('drafts:NoteChange.aimsAtTheTrayInThe', { tray: tray.length })}
      </span>
    </section>
  );
}
