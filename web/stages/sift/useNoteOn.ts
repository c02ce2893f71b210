import { useTrouble } from '../../parts/words/useTrouble';
import { useAddNoteMutation } from '../../state/notesApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';

/** Keeps a note on a keyword, signed; nothing where there is nothing to keep. */
export function useNoteOn(): (keyword: number, text: string) => void {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [add] = useAddNoteMutation();
  const trouble = useTrouble();
  return (keyword, text) => {
    if (text.trim() === '') return;
    void add({ project, subject: { on: 'keyword', keyword }, text: text.trim(), person })
      .unwrap()
      .catch(trouble);
  };
}
