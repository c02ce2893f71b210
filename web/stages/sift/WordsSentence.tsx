import type { Sieve } from '@opsimath/contract/api/sift';
import { HoldsOrNot } from './HoldsOrNot';
import { Choice, LineInput } from './sentenceInputs';
import { plain } from './sentenceWords';
import { t } from '../../words/t';

const MODES = [
  { value: 'any word', label: t('sift:WordsSentence.anyOf') },
  { value: 'all words', label: t('sift:WordsSentence.allOf') },
  { value: 'phrase', label: t('sift:WordsSentence.thePhrase') },
  { value: 'pattern', label: t('sift:WordsSentence.thePattern') },
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
        name={t('sift:WordsSentence.howTheWordsAreMatched')}
        value={sieve.mode}
        options={MODES}
        onChange={(mode) => onChange({ ...sieve, mode })}
      />
      <LineInput
        name={t('sift:WordsSentence.wordsOfTheSieve')}
        value={sieve.text}
        onChange={(text) => onChange({ ...sieve, text })}
      />
      {sieve.mode !== 'pattern' && (
        <Choice
          name={t('sift:WordsSentence.formsOfTheWords')}
          value={sieve.stems ? 'in any form' : 'as written'}
          options={plain(['as written', 'in any form'])}
          onChange={(form) => onChange({ ...sieve, stems: form === 'in any form' })}
        />
      )}
    </>
  );
}
