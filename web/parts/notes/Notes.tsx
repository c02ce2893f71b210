import type { Note, NoteSubject } from '@opsimath/contract/api/notes';
import { Button, Input } from 'antd';
import { useRef, useState } from 'react';
import { useMessages } from '../../state/messages';
import { useAddNoteMutation, useNotesQuery, useRemoveNoteMutation } from '../../state/notesApi';
import { useAppSelector } from '../../state/store';
import { PersonInput } from '../words/PersonInput';
import { Problem } from '../words/Problem';
import { spelledDay } from '../words/figures';
import { PICTURES, asDataAddress, fetchedPicture, pictureAddress, pictureProblem } from './notePictures';
import { sameSubject } from './sameSubject';
import './notes.css';
import { t } from '../../words/t';

interface NotesProps {
  project: number;
  subject: NoteSubject;
}

/** What was noted on one thing, and room to note more. */
export function Notes({ project, subject }: NotesProps) {
  const { data, error } = useNotesQuery(project);
  const notes = data?.filter((note) => sameSubject(note.subject, subject)) ?? [];
  return (
    <div className="notes">
      {error && <Problem error={error} />}
      {notes.length > 0 && (
        <ul aria-label={t('parts:Notes.notes')}>
          {notes.map((note) => (
            <WrittenNote key={note.id} project={project} note={note} />
          ))}
        </ul>
      )}
      <NewNote project={project} subject={subject} />
    </div>
  );
}

function WrittenNote({ project, note }: { project: number; note: Note }) {
  const [remove] = useRemoveNoteMutation();
  const [add] = useAddNoteMutation();
  const message = useMessages();
  const takeAway = async (): Promise<void> => {
    const picture = note.picture ? await fetchedPicture(pictureAddress(project, note.id)) : null;
    await remove({ project, note: note.id }).unwrap();
    const { subject, text, person } = note;
    void message.open({
      content: (
        <span>
          {t('parts:Notes.theNoteIsGone')}{' '}
          <button
            className="plain written"
            onClick={() => void add({ project, subject, text, person, picture })}
          >
            {t('parts:Notes.undo')}
          </button>
        </span>
      ),
      duration: 6,
    });
  };
  return (
    <li>
      <span className="note-text">{note.text}</span>{' '}
      <span className="faint">
        {[note.person, spelledDay(note.writtenAt.slice(0, 10)), capturedOn(note)].filter(Boolean).join(', ')}
      </span>{' '}
      <button className="plain soft written" onClick={() => void takeAway().catch(() => undefined)}>
        {t('parts:Notes.remove')}
      </button>
      {note.picture && (
        <a href={pictureAddress(project, note.id)} target="_blank" rel="noreferrer" className="note-picture">
          <img
            src={pictureAddress(project, note.id)}
            alt={t('parts:Notes.pictureNotedText', { text: note.text })}
          />
        </a>
      )}
    </li>
  );
}

/** Of a slot: the capture that was before whoever wrote. */
function capturedOn({ subject }: Note): string {
  return subject.on === 'slot' ? t('parts:Notes.onThePageOfDate', { date: spelledDay(subject.date) }) : '';
}

function NewNote({ project, subject }: NotesProps) {
  const [add, { isLoading, error }] = useAddNoteMutation();
  const person = useAppSelector((state) => state.preferences.person);
  const [text, setText] = useState('');
  const [picture, setPicture] = useState<string | null>(null);
  const [refused, setRefused] = useState('');
  const choose = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const problem = pictureProblem(file);
    setRefused(problem ?? '');
    if (problem === null) setPicture(await asDataAddress(file));
  };
  const keep = async (): Promise<void> => {
    if (text.trim() === '' && picture === null) return;
    await add({ project, subject, text: text.trim() || t('parts:Notes.aPicture'), person, picture }).unwrap();
    setText('');
    setPicture(null);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void keep().catch(() => undefined);
      }}
    >
      <Input.TextArea
        aria-label={t('parts:Notes.newNote')}
        placeholder={t('parts:Notes.noteWhatYouSeeOrDecide')}
        autoSize={{ minRows: 1, maxRows: 6 }}
        maxLength={5000}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={(event) => {
          const [file] = event.clipboardData.files;
          if (!file) return;
          event.preventDefault();
          void take(file);
        }}
        onKeyDown={(event) => {
          // Escape closes panels; not while something is being written.
          if (event.key === 'Escape' && text !== '') event.stopPropagation();
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void keep().catch(() => undefined);
        }}
      />
      {picture !== null && (
        <div className="note-picture">
          <img src={picture} alt={t('parts:Notes.pictureToBeKept')} />
          <button type="button" className="plain soft written" onClick={() => setPicture(null)}>
            {t('parts:Notes.leaveThePictureOut')}
          </button>
        </div>
      )}
      {refused !== '' && <p className="soft">{refused}</p>}
      <input
        ref={choose}
        type="file"
        hidden
        accept={PICTURES.join(',')}
        aria-label={t('parts:Notes.pictureOfTheNote')}
        onChange={({ target }) => {
          void take(target.files?.[0]);
          target.value = '';
        }}
      />
      {(text !== '' || picture !== null) && (
        <div className="note-foot">
          <PersonInput name={t('parts:Notes.signedBy')} />
          <Button
            size="small"
            type="primary"
            htmlType="submit"
            loading={isLoading}
            title={t('parts:Notes.ctrlEnter')}
          >
            {t('parts:Notes.keep')}
          </Button>
          <Button size="small" onClick={() => choose.current?.click()}>
            {picture === null ? t('parts:Notes.addAPicture') : t('parts:Notes.anotherPicture')}
          </Button>
        </div>
      )}
      {error && <Problem error={error} />}
    </form>
  );
}
