import type { Passage } from '@opsimath/contract/api/reportContent';
import type { TextPassage, TextRun } from '@opsimath/core/report/passages';
import { type JSONContent, Node } from '@tiptap/core';
import { t } from '../../words/t';

/** A figure within text: one piece that follows what it was read from, and cannot be typed over by half. */
export const FigureNode = Node.create({
  name: 'figure',
  group: 'inline',
  inline: true,
  atom: true,
  selectable: true,
  addAttributes: () => ({ of: { default: '' }, text: { default: '' } }),
  parseHTML: () => [{ tag: 'span[data-figure]' }],
  renderHTML: ({ node }) => [
    'span',
    {
      'data-figure': String(node.attrs.of),
      class: 'figure-in-text',
      title: t('report:figureNode.aFigureItFollowsTheData'),
    },
    String(node.attrs.text),
  ],
  renderText: ({ node }) => String(node.attrs.text),
});

/** Passages as the editor holds them. */
export function toEditor(passages: readonly TextPassage[]): JSONContent {
  const content: JSONContent[] = [];
  for (const { kind, runs } of passages) {
    const paragraph: JSONContent = {
      type: 'paragraph',
      content: runs.filter(({ text }) => text !== '').map(toNode),
    };
    if (kind === 'paragraph') {
      content.push(paragraph);
      continue;
    }
    const item: JSONContent = { type: 'listItem', content: [paragraph] };
    const last = content.at(-1);
    if (last?.type === 'bulletList') last.content!.push(item);
    else content.push({ type: 'bulletList', content: [item] });
  }
  return { type: 'doc', content: content.length > 0 ? content : [{ type: 'paragraph' }] };
}

function toNode({ text, bold, italic, figure }: TextRun): JSONContent {
  const marks = [...(bold ? [{ type: 'bold' }] : []), ...(italic ? [{ type: 'italic' }] : [])];
  const marked = marks.length > 0 ? { marks } : {};
  return figure === undefined
    ? { type: 'text', text, ...marked }
    : { type: 'figure', attrs: { of: figure, text }, ...marked };
}

/** What the editor holds as passages. */
export function fromEditor(doc: JSONContent): Passage[] {
  const passages: Passage[] = [];
  const walk = (nodes: readonly JSONContent[], kind: Passage['kind']): void => {
    for (const node of nodes) {
      if (node.type === 'paragraph') passages.push({ kind, runs: (node.content ?? []).flatMap(fromNode) });
      else walk(node.content ?? [], node.type === 'listItem' ? 'item' : kind);
    }
  };
  walk(doc.content ?? [], 'paragraph');
  return passages;
}

function fromNode(node: JSONContent): Passage['runs'] {
  const has = (mark: string): boolean => node.marks?.some(({ type }) => type === mark) ?? false;
  const marks = { ...(has('bold') && { bold: true }), ...(has('italic') && { italic: true }) };
  if (node.type === 'figure')
    return [{ text: String(node.attrs?.text ?? ''), figure: String(node.attrs?.of ?? ''), ...marks }];
  if (node.type === 'hardBreak') return [{ text: ' ' }];
  return node.text ? [{ text: node.text, ...marks }] : [];
}
