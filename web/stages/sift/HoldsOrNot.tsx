import { Choice } from './sentenceInputs';

const HOLDS = [
  { value: 'holds', label: 'holds' },
  { value: 'leaves out', label: 'leaves out' },
] as const;

/** Whether a sieve keeps what holds something, or leaves it out. */
export function HoldsOrNot({ out, onChange }: { out: boolean; onChange: (out: boolean) => void }) {
  return (
    <Choice
      name="Holds or leaves out"
      value={out ? 'leaves out' : 'holds'}
      options={HOLDS}
      onChange={(value) => onChange(value === 'leaves out')}
    />
  );
}
