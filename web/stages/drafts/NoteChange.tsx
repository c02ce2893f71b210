import type { ChangeAddition } from '@opsimath/contract/api/drafts';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { DayField } from '../../parts/words/DayField';
import { useTrouble } from '../../parts/words/useTrouble';
import { useNoteChangeMutation } from '../../state/publishedApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { ChangeKind } from './ChangeKind';

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
    <section className="new-draft" aria-label="Note a change">
      <span className="soft">Done without a draft: </span>
      <ChangeKind value={kind} onChange={setKind} />
      <Input
        size="small"
        aria-label="Address that was changed"
        placeholder="address of ours"
        style={{ width: 250 }}
        value={address}
        onChange={({ target }) => setAddress(target.value.trim())}
      />
      <Input
        size="small"
        aria-label="What was done"
        placeholder="what was done: 59 to 54 dollars"
        style={{ width: 220 }}
        value={note}
        onChange={({ target }) => setNote(target.value)}
      />
      <DayField name="Day of the change" value={date} onChange={setDate} />
      <Button
        size="small"
        type="primary"
        loading={isLoading}
        disabled={address === ''}
        onClick={() => void send()}
      >
        Note it
      </Button>
      <span className="soft">
        {tray.length === 0
          ? 'aims at no keyword: the tray is empty'
          : `aims at the ${tray.length} in the tray`}
      </span>
    </section>
  );
}
