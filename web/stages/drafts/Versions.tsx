import type { Draft, DraftChange } from '@opsimath/contract/api/drafts';
import { Button, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { spelledDay } from '../../parts/words/figures';
import { useKeepVersionMutation } from '../../state/draftsApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { Differences } from './Differences';
import { t } from '../../words/t';

const NOW = 'now';
const PRESENT = 'present';

interface VersionsProps {
  draft: Draft;
  onChange: (change: Omit<DraftChange, 'revision' | 'person'>) => void;
  onClose: () => void;
}

/** Copy as it was kept, any two states beside each other, and the way back to one. */
export function Versions({ draft, onChange, onClose }: VersionsProps) {
  const { project } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [keep, { isLoading }] = useKeepVersionMutation();
  const [name, setName] = useState('');
  const [one, setOne] = useState(draft.present ? PRESENT : String(draft.versions[0]?.id ?? NOW));
  const [other, setOther] = useState(NOW);
  const states = [
    { value: NOW, label: t('drafts:Versions.asItIsWrittenNow'), fields: draft.fields },
    ...(draft.present
      ? [
          {
            value: PRESENT,
            label: t('drafts:Versions.asItStandsDate', { date: spelledDay(draft.present.date) }),
            fields: draft.present.fields,
          },
        ]
      : []),
    ...draft.versions.map(({ id, name: of, person: who, at, fields }) => ({
      value: String(id),
      label: [of === '' ? t('drafts:Versions.versionId', { id }) : of, who, at.slice(0, 16).replace('T', ' ')]
        .filter(Boolean)
        .join(', '),
      fields,
    })),
  ];
  const fieldsOf = (value: string) => states.find((state) => state.value === value)?.fields ?? {};
  const choice = (label: string, value: string, set: (next: string) => void) => (
    <Select
      size="small"
      aria-label={label}
      style={{ width: 300 }}
      value={value}
      options={states.map(({ value: of, label: words }) => ({ value: of, label: words }))}
      onChange={set}
    />
  );
  return (
    <Modal
      open
      footer={null}
      width={820}
      onCancel={onClose}
      title={<span className="serif">{t('drafts:Versions.versions')}</span>}
    >
      <p>
        <Input
          size="small"
          aria-label={t('drafts:Versions.nameOfTheVersion')}
          placeholder={t('drafts:Versions.nameIfItNeedsOne')}
          style={{ width: 220 }}
          value={name}
          onChange={({ target }) => setName(target.value)}
        />{' '}
        <Button
          size="small"
          loading={isLoading}
          onClick={() => void keep({ project, id: draft.id, name, person }).then(() => setName(''))}
        >
          {t('drafts:Versions.keepWhatIsWrittenAsA')}
        </Button>
      </p>
      <p>
        {choice(t('drafts:Versions.oneState'), one, setOne)} {t('drafts:Versions.beside')}{' '}
        {choice(t('drafts:Versions.anotherState'), other, setOther)}{' '}
        <Button size="small" disabled={one === NOW} onClick={() => onChange({ fields: fieldsOf(one) })}>
          {t('drafts:Versions.writeOnFromTheFirst')}
        </Button>
      </p>
      <Differences before={fieldsOf(one)} after={fieldsOf(other)} names={['first', 'second']} />
    </Modal>
  );
}
