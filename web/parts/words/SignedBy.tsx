import { useState } from 'react';
import { useAppSelector } from '../../state/store';
import { PersonInput } from './PersonInput';
import { t } from '../../words/t';

/** Whose name stands under what is written here: asked once, kept in this browser, the same everywhere. */
export function SignedBy() {
  const person = useAppSelector((state) => state.preferences.person);
  const [asked] = useState(person === '');
  if (!asked) return <p className="faint signed">{t('parts:SignedBy.signedPerson', { person })}</p>;
  return (
    <div className="act-line signed">
      <PersonInput name={t('parts:SignedBy.signedBy')} placeholder={t('parts:SignedBy.yourNameAskedOnce')} />
    </div>
  );
}
