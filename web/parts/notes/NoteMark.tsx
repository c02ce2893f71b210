import { Popover } from 'antd';
import type { NoteSubject } from '@opsimath/contract/api/notes';
import { useNotesQuery } from '../../state/notesApi';
import { Notes } from './Notes';
import { sameSubject } from './sameSubject';

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
        aria-label={`Notes on ${of}`}
      >
        {notes === 0 ? 'note' : notes === 1 ? '1 note' : `${notes} notes`}
      </button>
    </Popover>
  );
}
