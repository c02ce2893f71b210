import type { Sieve } from '@opsimath/contract/api/sift';
import { HoldsOrNot } from './HoldsOrNot';
import { Choice, LineInput } from './sentenceInputs';
import { plain } from './sentenceWords';

const MODES = [
  { value: 'any word', label: 'any of' },
  { value: 'all words', label: 'all of' },
  { value: 'phrase', label: 'the phrase' },
  { value: 'pattern', label: 'the pattern' },
] as const;

interface WordsSentenceProps {
  sieve: Extract<Sieve, { kind: 'words' }>;
  onChange: (sieve: Sieve) => void;
}

/** A sieve of words as a sentence: which, how they are matched, in which form. */
export function WordsSentence({ sieve, onChange }: WordsSentenceProps) {
  return (
    <>
      <HoldsOrNot out={sieve.out} onChange={(out) => onChange({ ...sieve, out })} />
      <Choice
        name="How the words are matched"
        value={sieve.mode}
        options={MODES}
        onChange={(mode) => onChange({ ...sieve, mode })}
      />
      <LineInput
        name="Words of the sieve"
        value={sieve.text}
        onChange={(text) => onChange({ ...sieve, text })}
      />
      {sieve.mode !== 'pattern' && (
        <Choice
          name="Forms of the words"
          value={sieve.stems ? 'in any form' : 'as written'}
          options={plain(['as written', 'in any form'])}
          onChange={(form) => onChange({ ...sieve, stems: form === 'in any form' })}
        />
      )}
    </>
  );
}
