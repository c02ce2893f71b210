import { Popover } from 'antd';
import type { NoteSubject } from '@opsimath/contract/api/notes';
import { useNotesQuery } from '../../state/notesApi';
import { Notes } from './Notes';
import { sameSubject } from './sameSubject';
import { t } from '../../words/t';

/** A small mark beside a thing: how many notes it has. Pressed, it opens them. */
export function NoteMark({ project, subject, of }: { project: number; subject: NoteSubject; of: string }) {
  const { data } = useNotesQuery(project);
  const notes = data?.filter((note) => sameSubject(note.subject, subject)).length ?? 0;
  return (
    <Popover
      trigger="click"
      placement="topRight"
      destroyOnHidden
      content={
        <div className="note-float">
          <Notes project={project} subject={subject} />
        </div>
      }
    >
      <button
        className={notes > 0 ? 'plain written' : 'plain soft written unnoted'}
        aria-label={t('parts:NoteMark.notesOnOf', { of })}
      >
        {notes === 0
          ? t('parts:NoteMark.note')
          : notes === 1
            ? t('parts:NoteMark.n1Note')
            : t('parts:NoteMark.notesNotes', { notes })}
      </button>
    </Popover>
  );
}
