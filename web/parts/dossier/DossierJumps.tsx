import { type RefObject, useEffect, useState } from 'react';
import { t } from '../../words/t';

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
    <nav className="dossier-jumps" aria-label={t('parts:DossierJumps.sectionsOfTheDossier')}>
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
  'What can be done': t('parts:DossierJumps.whatToDo'),
  'How the priority came about': t('parts:DossierJumps.sum'),
  'Positions over time': t('parts:DossierJumps.overTime'),
  'Seen by hand': t('parts:DossierJumps.byHand'),
  'Searches a month': t('parts:DossierJumps.searches'),
  'Own search performance': t('parts:DossierJumps.ownSearch'),
  'How the front shows itself': t('parts:DossierJumps.front'),
  'Changed since': t('parts:DossierJumps.changes'),
  'Result page of': t('parts:DossierJumps.resultPage'),
  'Which of ours could answer': t('parts:DossierJumps.answering'),
};

const nameOf = (head: Element): string => (head.firstChild?.textContent ?? '').trim();
