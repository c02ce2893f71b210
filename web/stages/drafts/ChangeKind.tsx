import { CHANGE_KINDS, type ChangeAddition } from '@opsimath/contract/api/drafts';
import { Select } from 'antd';
import { t } from '../../words/t';

interface ChangeKindProps {
  value: ChangeAddition['kind'];
  onChange: (kind: ChangeAddition['kind']) => void;
}

/** What was done to a target: kinds that are told apart when it is asked what worked. */
export function ChangeKind({ value, onChange }: ChangeKindProps) {
  return (
    <Select
      size="small"
      aria-label={t('drafts:ChangeKind.kindOfChange')}
      style={{ width: 96 }}
      value={value}
      options={CHANGE_KINDS.map((kind) => ({ value: kind, label: kind }))}
      onChange={onChange}
    />
  );
}
