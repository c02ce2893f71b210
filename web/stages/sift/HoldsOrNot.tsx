import { Choice } from './sentenceInputs';
import { t } from '../../words/t';

const HOLDS = [
  { value: 'holds', label: t('sift:HoldsOrNot.holds') },
  { value: 'leaves out', label: t('sift:HoldsOrNot.leavesOut') },
] as const;

/** Whether a sieve keeps what holds something, or leaves it out. */
export function HoldsOrNot({ out, onChange }: { out: boolean; onChange: (out: boolean) => void }) {
  return (
    <Choice
      name={t('sift:HoldsOrNot.holdsOrLeavesOut')}
      value={out ? 'leaves out' : 'holds'}
      options={HOLDS}
      onChange={(value) => onChange(value === 'leaves out')}
    />
  );
}
