import { type RefObject, useEffect, useState } from 'react';

/** Marks that lead to each section of the dossier; they stay in sight. */
export function DossierJumps({ panel, keyword }: { panel: RefObject<HTMLElement | null>; keyword: number }) {
  const [names, setNames] = useState<string[]>([]);
  useEffect(() => {
    const read = (): void => {
      const heads = [...(panel.current?.querySelectorAll('section.section > h2') ?? [])];
      const found = heads.map(nameOf);
      setNames((before) => (before.join('|') === found.join('|') ? before : found));
    };
    read();
    // Sections that load by themselves come later.
    const watching = new MutationObserver(read);
    if (panel.current) watching.observe(panel.current, { childList: true, subtree: true });
    return () => watching.disconnect();
  }, [panel, keyword]);
  const jump = (name: string): void => {
    const heads = [...(panel.current?.querySelectorAll('section.section > h2') ?? [])];
    heads.find((head) => nameOf(head) === name)?.scrollIntoView({ block: 'start' });
  };
  return (
    <nav className="dossier-jumps" aria-label="Sections of the dossier">
      {names.map((name) => (
        <button key={name} className="plain" onClick={() => jump(name)}>
          {SHORT[name] ?? name}
        </button>
      ))}
    </nav>
  );
}

/** Heads in a word or two. */
const SHORT: Record<string, string> = {
  'What can be done': 'What to do',
  'How the priority came about': 'Sum',
  'Positions over time': 'Over time',
  'Seen by hand': 'By hand',
  'Searches a month': 'Searches',
  'Own search performance': 'Own search',
  'How the front shows itself': 'Front',
  'Changed since': 'Changes',
  'Result page of': 'Result page',
  'Which of ours could answer': 'Answering',
};

const nameOf = (head: Element): string => (head.firstChild?.textContent ?? '').trim();
