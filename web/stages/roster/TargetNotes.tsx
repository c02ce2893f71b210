import { PRIVATE_FIELDS, type Target, type TargetChange } from '@opsimath/contract/api/targets';
import { FACT_FIELDS } from '@opsimath/contract/api/factFields';
import { Input } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Notes } from '../../parts/notes/Notes';
import { Problem } from '../../parts/words/Problem';
import { useChangeTargetMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const SAVE_AFTER_MS = 700;

/** What we say of a target ourselves: note, hidden fields of our own, the fact card. Kept as it is typed. */
export function TargetNotes({ target }: { target: Target }) {
  const { project } = useScope();
  const [save, { error, isLoading }] = useChangeTargetMutation();
  const [note, setNote] = useState(target.note);
  const [privateFields, setPrivateFields] = useState(target.privateFields);
  const [facts, setFacts] = useState(target.facts);
  const first = useRef(true);
  useEffect(() => {
    if (first.current) {
      first.current = false;
      return;
    }
    const change: TargetChange = { note, privateFields, facts };
    const timer = setTimeout(() => void save({ project, target: target.id, change }), SAVE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [note, privateFields, facts, save, project, target.id]);
  return (
    <div className="target-notes">
      <h3>{t('roster:TargetNotes.notes')}</h3>
      <Notes project={project} subject={{ on: 'target', target: target.id }} />
      <h3>{t('roster:TargetNotes.whatWeKnowOfIt')}</h3>
      <p className="faint" role="status">
        {isLoading ? t('roster:TargetNotes.keeping') : t('roster:TargetNotes.keptAsYouType')}
      </p>
      {error && <Problem error={error} />}
      <Area name="note" value={note} onChange={setNote} />
      {target.side === 'own' && (
        <>
          {PRIVATE_FIELDS[target.surface].map((name) => (
            <Area
              key={name}
              name={wordOf(name)}
              value={privateFields[name] ?? ''}
              onChange={(value) => setPrivateFields((current) => ({ ...current, [name]: value }))}
            />
          ))}
          <h3>{t('roster:TargetNotes.factCard')}</h3>
          <p className="soft">{t('roster:TargetNotes.shownWhereverRelevanceIsJudgedAnd')}</p>
          {FACT_FIELDS.map((name) => (
            <Area
              key={name}
              name={wordOf(name)}
              value={facts[name] ?? ''}
              onChange={(value) => setFacts((current) => ({ ...current, [name]: value }))}
            />
          ))}
        </>
      )}
    </div>
  );
}

function Area({ name, value, onChange }: { name: string; value: string; onChange: (value: string) => void }) {
  return (
    <label>
      <span className="soft">{name}</span>
      <Input.TextArea
        autoSize={{ minRows: 1, maxRows: 8 }}
        value={value}
        maxLength={20_000}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
