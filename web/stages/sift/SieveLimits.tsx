import type { Sieve } from '@opsimath/contract/api/sift';
import { Choice, NumberInput } from './sentenceInputs';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const UNKNOWN = [
  { value: 'kept', label: t('sift:SieveLimits.unknownKept') },
  { value: 'out', label: t('sift:SieveLimits.unknownOut') },
] as const;

type WithLimits = Extract<Sieve, { kind: 'figure' | 'position' }>;

export function Limits({ sieve, onChange }: { sieve: WithLimits; onChange: (sieve: Sieve) => void }) {
  return (
    <>
      <Told
        id="sift:SieveLimits.fromTo"
        parts={{
          numberInput: (
            <NumberInput
              name={t('sift:SieveLimits.least')}
              value={sieve.least}
              onChange={(least) => onChange({ ...sieve, least })}
            />
          ),
        }}
      />{' '}
      <NumberInput
        name={t('sift:SieveLimits.most')}
        value={sieve.most}
        onChange={(most) => onChange({ ...sieve, most })}
      />
      <Unknown sieve={sieve} onChange={onChange} />
    </>
  );
}

export function Unknown({
  sieve,
  onChange,
}: {
  sieve: Extract<Sieve, { unknown: boolean }>;
  onChange: (sieve: Sieve) => void;
}) {
  return (
    <Choice
      name={t('sift:SieveLimits.theUnknown')}
      value={sieve.unknown ? 'kept' : 'out'}
      options={UNKNOWN}
      onChange={(value) => onChange({ ...sieve, unknown: value === 'kept' })}
    />
  );
}
