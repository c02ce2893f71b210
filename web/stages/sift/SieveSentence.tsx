import { FOUND_BY } from '@opsimath/contract/api/lookUps';
import type { KeywordList, Sieve } from '@opsimath/contract/api/sift';
import { TRENDS, VERDICTS } from '@opsimath/core/sift/sieve';
import { Choice, LineInput, NumberInput, Several } from './sentenceInputs';

interface SieveSentenceProps {
  sieve: Sieve;
  targets: readonly string[];
  lists: readonly KeywordList[];
  onChange: (sieve: Sieve) => void;
}

const MODES = [
  { value: 'any word', label: 'any of' },
  { value: 'all words', label: 'all of' },
  { value: 'phrase', label: 'the phrase' },
  { value: 'pattern', label: 'the pattern' },
] as const;
const HOLDS = [
  { value: 'holds', label: 'holds' },
  { value: 'leaves out', label: 'leaves out' },
] as const;
const UNKNOWN = [
  { value: 'kept', label: 'unknown kept' },
  { value: 'out', label: 'unknown out' },
] as const;
const plain = <T extends string>(values: readonly T[]): { value: T; label: string }[] =>
  values.map((value) => ({ value, label: value }));

/** A sieve as a sentence, each word of it edited where it stands. */
export function SieveSentence({ sieve, targets, lists, onChange }: SieveSentenceProps) {
  switch (sieve.kind) {
    case 'words':
      return (
        <>
          <Choice
            name="Holds or leaves out"
            value={sieve.out ? 'leaves out' : 'holds'}
            options={HOLDS}
            onChange={(value) => onChange({ ...sieve, out: value === 'leaves out' })}
          />
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
        </>
      );
    case 'figure':
      return (
        <>
          <b>{sieve.figure}</b> <Limits sieve={sieve} onChange={onChange} />
        </>
      );
    case 'position':
      return (
        <>
          <Choice
            name="Target"
            value={sieve.target}
            options={plain(targets)}
            onChange={(target) => onChange({ ...sieve, target })}
          />{' '}
          stands <Limits sieve={sieve} onChange={onChange} />
        </>
      );
    case 'ranked by':
      return (
        <>
          at least{' '}
          <NumberInput
            name="Targets that rank"
            value={sieve.atLeast}
            onChange={(atLeast) => onChange({ ...sieve, atLeast: Math.round(atLeast ?? 1) })}
          />{' '}
          of {targets.length} targets within{' '}
          <NumberInput
            name="Depth"
            value={sieve.within}
            onChange={(within) => onChange({ ...sieve, within: Math.max(1, Math.round(within ?? 100)) })}
          />
        </>
      );
    case 'found':
      return (
        <>
          found by{' '}
          <Several
            name="Ways"
            values={sieve.ways}
            options={plain(FOUND_BY)}
            onChange={(ways) => onChange({ ...sieve, ways })}
          />
        </>
      );
    case 'trend':
      return (
        <>
          <b>trend</b>{' '}
          <Several
            name="Trends"
            values={sieve.trends}
            options={plain(TRENDS)}
            onChange={(trends) => onChange({ ...sieve, trends })}
          />
          <Unknown sieve={sieve} onChange={onChange} />
        </>
      );
    case 'verdict':
      return (
        <>
          judged{' '}
          <Several
            name="Verdicts"
            values={sieve.verdicts}
            options={plain(VERDICTS)}
            onChange={(verdicts) => onChange({ ...sieve, verdicts })}
          />
        </>
      );
    case 'list':
      return (
        <>
          <Choice
            name="In or not in"
            value={sieve.out ? 'is not in' : 'is in'}
            options={plain(['is in', 'is not in'])}
            onChange={(value) => onChange({ ...sieve, out: value === 'is not in' })}
          />
          <Choice
            name="List"
            value={String(sieve.list)}
            options={[
              { value: '0', label: 'no list yet' },
              ...lists.map(({ id, name }) => ({ value: String(id), label: name })),
            ]}
            onChange={(list) => onChange({ ...sieve, list: Number(list) })}
          />
        </>
      );
  }
}

type WithLimits = Extract<Sieve, { kind: 'figure' | 'position' }>;

function Limits({ sieve, onChange }: { sieve: WithLimits; onChange: (sieve: Sieve) => void }) {
  return (
    <>
      from{' '}
      <NumberInput name="Least" value={sieve.least} onChange={(least) => onChange({ ...sieve, least })} /> to{' '}
      <NumberInput name="Most" value={sieve.most} onChange={(most) => onChange({ ...sieve, most })} />
      <Unknown sieve={sieve} onChange={onChange} />
    </>
  );
}

function Unknown({
  sieve,
  onChange,
}: {
  sieve: Extract<Sieve, { unknown: boolean }>;
  onChange: (sieve: Sieve) => void;
}) {
  return (
    <Choice
      name="The unknown"
      value={sieve.unknown ? 'kept' : 'out'}
      options={UNKNOWN}
      onChange={(value) => onChange({ ...sieve, unknown: value === 'kept' })}
    />
  );
}
