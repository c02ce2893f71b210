import type { Passage } from '@opsimath/contract/api/reportContent';
import type { TextPassage } from '@opsimath/core/report/passages';
import { EditorContent, useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, useRef } from 'react';
import { FigureNode, fromEditor, toEditor } from './figureNode';

interface TextEditorProps {
  label: string;
  passages: TextPassage[];
  onChange: (passages: Passage[]) => void;
}

/** Text where it stands: bold, italic, lists; figures are pieces of their own. */
export default function TextEditor({ label, passages, onChange }: TextEditorProps) {
  const told = useRef(onChange);
  useEffect(() => {
    told.current = onChange;
  });
  const editor = useEditor({
    extensions: [
      StarterKit.configure({
        heading: false,
        blockquote: false,
        code: false,
        codeBlock: false,
        horizontalRule: false,
        orderedList: false,
        strike: false,
        underline: false,
        link: false,
      }),
      FigureNode,
    ],
    content: toEditor(passages),
    editorProps: { attributes: { 'aria-label': label, class: 'text-editor', role: 'textbox' } },
    onUpdate: ({ editor: now }) => told.current(fromEditor(now.getJSON())),
  });
  // Undone, or changed in another window: what stands here follows, unless it is being typed in.
  const wanted = JSON.stringify(passages);
  useEffect(() => {
    if (!editor || editor.isFocused || JSON.stringify(fromEditor(editor.getJSON())) === wanted) return;
    editor.commands.setContent(toEditor(JSON.parse(wanted) as TextPassage[]), { emitUpdate: false });
  }, [editor, wanted]);
  return <EditorContent editor={editor} />;
}
