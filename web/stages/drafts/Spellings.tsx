import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import type { Draft } from '@opsimath/contract/api/drafts';
import type { DraftField } from '@opsimath/core/copy/draftFields';
import { words } from '@opsimath/core/text/key';
import { count } from '../../parts/words/figures';
import type { DraftFacts } from './useDraftFacts';
import { inserted } from './WordsToPlace';
import { t } from '../../words/t';

const SHOWN = 8;

interface SpellingsProps {
  draft: Draft;
  field: DraftField;
  facts: DraftFacts;
  spellings: DraftMaterial['spellings'];
  onWrite: (field: string, text: string) => void;
}

/** Other spellings that people search for: they belong where nobody reads them. */
export function Spellings({ draft, field, facts, spellings, onWrite }: SpellingsProps) {
  const typed = new Set(facts.fields.flatMap((held) => [...held.typed]));
  const open = spellings
    .map((one) => ({ ...one, lacks: words(one.key).filter((word) => !typed.has(word)) }))
    .filter(({ lacks }) => lacks.length > 0)
    .slice(0, SHOWN);
  if (open.length === 0) return null;
  return (
    <p className="soft">
      {t('drafts:Spellings.spelledOtherwise')}{' '}
      {open.map(({ key, text, of, volume, lacks }) => (
        <span key={key} className="title-word">
          <button
            className="plain written"
            title={t('drafts:Spellings.peopleSearchForTextBesideOf', { text, of, name: field.name })}
            onClick={() =>
              onWrite(field.name, inserted(draft.fields[field.name] ?? '', 0, lacks.join(' '), field))
            }
          >
            {text}
          </button>{' '}
          {volume === null ? '' : count(volume)}
        </span>
      ))}
    </p>
  );
}
