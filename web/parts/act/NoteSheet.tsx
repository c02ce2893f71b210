import { Button, Input } from 'antd';
import { useState } from 'react';
import { useAddNoteMutation } from '../../state/notesApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { SignedBy } from '../words/SignedBy';
import { useTrouble } from '../words/useTrouble';
import { type ActedOn, nameOf } from './keywordsActedOn';
import { t } from '../../words/t';

/** One note on each of some keywords. */
export function NoteSheet({ keywords, onDone }: { keywords: readonly ActedOn[]; onDone: () => void }) {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [add, { isLoading }] = useAddNoteMutation();
  const [text, setText] = useState('');
  const trouble = useTrouble();
  const keep = async (): Promise<void> => {
    for (const { id } of keywords)
      await add({ project, subject: { on: 'keyword', keyword: id }, text: text.trim(), person }).unwrap();
    onDone();
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') void keep().catch(trouble);
      }}
    >
      <p className="soft">{nameOf(keywords)}</p>
      <Input.TextArea
        autoFocus
        aria-label={t('parts:NoteSheet.noteOnTheseKeywords')}
        placeholder={t('parts:NoteSheet.whatYouSeeOrDecideAnd')}
        autoSize={{ minRows: 2, maxRows: 6 }}
        maxLength={5000}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <SignedBy />
      <Button size="small" type="primary" htmlType="submit" loading={isLoading} disabled={text.trim() === ''}>
        {t('parts:NoteSheet.keep')}
      </Button>
    </form>
  );
}
